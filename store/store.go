// Package store keeps everything in PostgreSQL: clips with their revisions,
// files in chunks, props, exports. It knows no rules.
package store

import (
	"context"
	"crypto/rand"
	"embed"
	"errors"
	"fmt"
	"io/fs"
	"log/slog"
	"strings"
	"time"

	"github.com/jackc/pgx/v5/pgxpool"
	"github.com/jackc/pgx/v5/stdlib"
	"github.com/pressly/goose/v3"
	"github.com/riverqueue/river/riverdriver/riverpgxv5"
	"github.com/riverqueue/river/rivermigrate"
)

//go:embed migrations/*.sql
var migrations embed.FS

// ErrNotFound is a clip, file or export that does not exist.
var ErrNotFound = errors.New("it does not exist; it may have been deleted")

// Store is the database.
type Store struct {
	Pool *pgxpool.Pool
	URL  string // of the database
	// Changed, if set, hears that a clip has a new revision.
	Changed func(clip string, revision int)

	states states
	turns  turns
}

// connections is how many this process holds at most. Nothing that holds one
// waits for a second.
const connections = 16

// Connect connects to a database whose tables are up to date.
func Connect(ctx context.Context, url string) (*Store, error) {
	config, err := pgxpool.ParseConfig(url)
	if err != nil {
		return nil, fmt.Errorf("DATABASE_URL cannot be read: %w", err)
	}
	config.MaxConns = connections
	config.ConnConfig.ConnectTimeout = 5 * time.Second
	// What a dead process has begun must not hold locks for ever.
	for name, value := range map[string]string{
		"lock_timeout": "8s", "idle_in_transaction_session_timeout": "30s", "application_name": "billow",
	} {
		config.ConnConfig.RuntimeParams[name] = value
	}
	pool, err := pgxpool.NewWithConfig(ctx, config)
	if err != nil {
		return nil, err
	}
	return &Store{Pool: pool, URL: url}, nil
}

// Open connects and brings the tables up to date.
func Open(ctx context.Context, url string) (*Store, error) {
	s, err := Connect(ctx, url)
	if err != nil {
		return nil, err
	}
	if err := s.migrate(ctx); err != nil {
		s.Close()
		return nil, fmt.Errorf("the database cannot be prepared: %w", err)
	}
	return s, nil
}

// Close ends all connections.
func (s *Store) Close() { s.Pool.Close() }

// migrate brings the tables up to date. Of several who start on one database,
// one does it while the others wait.
func (s *Store) migrate(ctx context.Context) error {
	ctx, cancel := context.WithTimeout(ctx, 10*time.Minute)
	defer cancel()
	conn, err := s.Pool.Acquire(ctx)
	if err != nil {
		return err
	}
	defer conn.Release()
	const name = 0x62696c6c6f77 // "billow"
	if _, err := conn.Exec(ctx, `SET lock_timeout = 0`); err != nil {
		return err
	}
	if _, err := conn.Exec(ctx, `SELECT pg_advisory_lock($1)`, name); err != nil {
		return err
	}
	err = s.migrateAlone(ctx)
	_, unlocked := conn.Exec(ctx, `SELECT pg_advisory_unlock($1)`, name)
	_, reset := conn.Exec(ctx, `RESET lock_timeout`)
	return errors.Join(err, unlocked, reset)
}

func (s *Store) migrateAlone(ctx context.Context) error {
	db := stdlib.OpenDBFromPool(s.Pool)
	defer db.Close()
	files, err := fs.Sub(migrations, "migrations")
	if err != nil {
		return err
	}
	p, err := goose.NewProvider(goose.DialectPostgres, db, files)
	if err != nil {
		return err
	}
	if _, err := p.Up(ctx); err != nil {
		return err
	}
	m, err := rivermigrate.New(riverpgxv5.New(s.Pool), &rivermigrate.Config{Logger: slog.New(slog.DiscardHandler)})
	if err != nil {
		return err
	}
	_, err = m.Migrate(ctx, rivermigrate.DirectionUp, nil)
	return err
}

// Ping tells whether the database answers within 800 ms.
func (s *Store) Ping(ctx context.Context) error {
	ctx, cancel := context.WithTimeout(ctx, 800*time.Millisecond)
	defer cancel()
	return s.Pool.Ping(ctx)
}

// NewID is a random name of 16 letters and digits.
func NewID() string { return strings.ToLower(rand.Text()[:16]) }
