package store

import (
	"context"
	"encoding/json"
	"time"

	"github.com/jackc/pgx/v5"
)

// Intake is moving pictures on their way to the shelf.
type Intake struct {
	ID    string          `json:"id"`
	Name  string          `json:"name"`
	State string          `json:"state"` // waiting, running, done, failed or cancelled
	Share float64         `json:"share"` // that is done, 0..1
	Prop  json.RawMessage `json:"prop"`  // when it is done
	Note  string          `json:"note"`  // what is to be known of it
	Error string          `json:"error"` // why it failed, for a person
}

// Coming is a file that is to be brought in.
type Coming struct {
	Name   string
	Hash   string
	Credit string // of what comes from the stock shelf
	Cut    string // the cut whose footage it is, which is cut rather than brought in
	Order  []byte // what is wanted of it, a cutout.Order
}

// CreateIntake notes a file, which is stored, as one to be brought in. enqueue queues the work in
// the same transaction.
func (s *Store) CreateIntake(ctx context.Context, id string, in Coming, enqueue func(tx pgx.Tx, id string, attempt int) error) error {
	return s.tx(ctx, func(ctx context.Context, tx pgx.Tx) error {
		n, err := tx.Exec(ctx, `INSERT INTO intakes (id, name, hash, credit, cut, wanted) VALUES ($1, $2, $3, $4, nullif($5, ''), $6) ON CONFLICT DO NOTHING`,
			id, in.Name, in.Hash, in.Credit, in.Cut, in.Order)
		if err != nil || n.RowsAffected() == 0 {
			return err
		}
		return enqueue(tx, id, 1)
	})
}

// Intake is how far one has come.
func (s *Store) Intake(ctx context.Context, id string) (in Intake, err error) {
	err = s.row(ctx, `SELECT id, name, state, share, prop, note, error FROM intakes WHERE id = $1`, []any{id},
		&in.ID, &in.Name, &in.State, &in.Share, &in.Prop, &in.Note, &in.Error)
	return in, err
}

// StartIntake takes one up, if it is still wanted in this attempt, and tells which file it is.
func (s *Store) StartIntake(ctx context.Context, id string, attempt int) (in Coming, wanted bool, err error) {
	err = s.row(ctx, `UPDATE intakes SET state = 'running', heartbeat = now() WHERE id = $1 AND attempt = $2 AND state IN ('waiting', 'running')
		RETURNING name, hash, credit, coalesce(cut, ''), wanted`, []any{id, attempt}, &in.Name, &in.Hash, &in.Credit, &in.Cut, &in.Order)
	if err == ErrNotFound {
		return in, false, nil
	}
	return in, err == nil, err
}

// IntakeProgress says that an attempt lives and how far it is, and tells whether it is still wanted.
func (s *Store) IntakeProgress(ctx context.Context, id string, attempt int, share float64) (wanted bool, err error) {
	n, err := s.exec(ctx, `UPDATE intakes SET share = $3, heartbeat = now() WHERE id = $1 AND attempt = $2 AND state = 'running'`, id, attempt, share)
	return n > 0, err
}

// FinishIntake notes what became of it.
func (s *Store) FinishIntake(ctx context.Context, id string, attempt int, prop any, note string) error {
	b, err := json.Marshal(prop)
	if err != nil {
		return err
	}
	_, err = s.exec(ctx, `UPDATE intakes SET state = 'done', share = 1, prop = $3, note = $4 WHERE id = $1 AND attempt = $2 AND state = 'running'`, id, attempt, b, note)
	return err
}

// FailIntake notes why it cannot be brought in.
func (s *Store) FailIntake(ctx context.Context, id string, attempt int, why string) error {
	_, err := s.exec(ctx, `UPDATE intakes SET state = 'failed', error = $3 WHERE id = $1 AND attempt = $2 AND state = 'running'`, id, attempt, why)
	return err
}

// ReleaseIntake gives one back that was not finished, for another worker.
func (s *Store) ReleaseIntake(ctx context.Context, id string, attempt int, enqueue func(tx pgx.Tx, id string, attempt int) error) error {
	return s.intakesAgain(ctx, `UPDATE intakes SET attempt = attempt + 1, state = 'waiting', heartbeat = now()
		WHERE id = $1 AND attempt = $2 AND state = 'running' RETURNING id, attempt`, []any{id, attempt}, enqueue)
}

// CancelIntake stops one that is no longer wanted.
func (s *Store) CancelIntake(ctx context.Context, id string) error {
	return s.found(ctx, `UPDATE intakes SET state = 'cancelled' WHERE id = $1 AND state IN ('waiting', 'running')`, id)
}

// mostIntakes is how often one is tried.
const mostIntakes = 3

// OrphanedIntakes gives those to other workers whose own were silent for so long, and queues those
// anew that wait without a job.
func (s *Store) OrphanedIntakes(ctx context.Context, silent time.Duration, enqueue func(tx pgx.Tx, id string, attempt int) error) error {
	_, err := s.exec(ctx, `UPDATE intakes SET state = 'failed', error = 'the machines that read it ended in the middle each time; look at their logs'
		WHERE state = 'running' AND attempt >= $2 AND heartbeat < now() - $1::interval`, silent, mostIntakes)
	if err != nil {
		return err
	}
	return s.intakesAgain(ctx, `UPDATE intakes i SET attempt = attempt + 1, state = 'waiting', heartbeat = now()
		WHERE state = 'running' AND heartbeat < now() - $1::interval
		OR state = 'waiting' AND heartbeat < now() - interval '20 seconds' AND NOT EXISTS (SELECT FROM river_job j
			WHERE j.kind = 'intake' AND j.args->>'intake' = i.id AND (j.args->>'attempt')::int = i.attempt
			AND (j.state IN ('available', 'pending', 'retryable', 'scheduled') OR j.state = 'running' AND j.attempted_at > now() - interval '20 seconds'))
		RETURNING id, attempt`, []any{silent}, enqueue)
}

func (s *Store) intakesAgain(ctx context.Context, sql string, args []any, enqueue func(tx pgx.Tx, id string, attempt int) error) error {
	return s.tx(ctx, func(ctx context.Context, tx pgx.Tx) error {
		rows, err := tx.Query(ctx, sql, args...)
		if err != nil {
			return err
		}
		type one struct {
			ID      string
			Attempt int
		}
		list, err := pgx.CollectRows(rows, pgx.RowToStructByPos[one])
		if err != nil {
			return err
		}
		for _, i := range list {
			if err := enqueue(tx, i.ID, i.Attempt); err != nil {
				return err
			}
		}
		return nil
	})
}

// DropFile removes a file that was only on its way: one that no prop, clip, export or other intake
// speaks of.
func (s *Store) DropFile(ctx context.Context, hash string) error {
	_, err := s.exec(ctx, `DELETE FROM files f WHERE hash = $1
		AND NOT EXISTS (SELECT FROM props p WHERE p.hash = f.hash)
		AND NOT EXISTS (SELECT FROM cuts WHERE f.hash IN (photo, result, shadow))
		AND NOT EXISTS (SELECT FROM clip_files c WHERE c.hash = f.hash)
		AND NOT EXISTS (SELECT FROM export_parts p WHERE f.hash IN (p.video, p.poster))
		AND NOT EXISTS (SELECT FROM intakes i WHERE i.hash = f.hash AND i.state IN ('waiting', 'running'))`, hash)
	return err
}
