package store

import (
	"context"
	"errors"
	"syscall"
	"time"

	"github.com/jackc/pgx/v5"
	"github.com/jackc/pgx/v5/pgconn"
)

// patience is how long a query or a short transaction may take, waiting for a
// connection and for locks included.
const patience = 10 * time.Second

// within bounds what is done with the database.
func within(ctx context.Context) (context.Context, context.CancelFunc) {
	return context.WithTimeout(ctx, patience)
}

// tx runs f in a transaction that ends in time. f uses no other connection than
// the transaction's: one that waits for a second one while it holds the first
// can wait for ever.
func (s *Store) tx(ctx context.Context, f func(ctx context.Context, tx pgx.Tx) error) error {
	ctx, cancel := within(ctx)
	defer cancel()
	return pgx.BeginFunc(ctx, s.Pool, func(tx pgx.Tx) error { return f(ctx, tx) })
}

// exec runs a statement and gives how many rows it touched.
func (s *Store) exec(ctx context.Context, sql string, args ...any) (int64, error) {
	ctx, cancel := within(ctx)
	defer cancel()
	tag, err := s.Pool.Exec(ctx, sql, args...)
	return tag.RowsAffected(), err
}

// row reads one row into dst.
func (s *Store) row(ctx context.Context, sql string, args []any, dst ...any) error {
	ctx, cancel := within(ctx)
	defer cancel()
	return one(s.Pool.QueryRow(ctx, sql, args...).Scan(dst...))
}

// many reads all rows, each into a T field by field.
func many[T any](ctx context.Context, s *Store, sql string, args ...any) ([]T, error) {
	ctx, cancel := within(ctx)
	defer cancel()
	rows, err := s.Pool.Query(ctx, sql, args...)
	if err != nil {
		return nil, err
	}
	return pgx.CollectRows(rows, pgx.RowToStructByPos[T])
}

// one turns "no rows" into ErrNotFound.
func one(err error) error {
	if errors.Is(err, pgx.ErrNoRows) {
		return ErrNotFound
	}
	return err
}

// diskFull is PostgreSQL's code for a full disk (its manual, appendix A).
const diskFull = "53100"

// Full tells whether an error is that a disk is full, the database's or this
// machine's.
func Full(err error) bool {
	var pg *pgconn.PgError
	return errors.Is(err, syscall.ENOSPC) || errors.As(err, &pg) && pg.Code == diskFull
}
