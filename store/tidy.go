package store

import (
	"context"
	"time"

	"github.com/jackc/pgx/v5"
)

// Tidied is what nobody needs any more.
type Tidied struct {
	Files    int   `json:"files"` // that no clip, revision or export needs
	Bytes    int64 `json:"bytes"`
	Props    int   `json:"props"` // entries of the shelf that go with them
	Jobs     int   `json:"jobs"`  // of workers that are dead, or of exports that are gone
	Sessions int   `json:"sessions"`
	Clips    int   `json:"clips"` // that were deleted long ago
}

// Keeping is how long a file stays that nothing needs.
const Keeping = 30 * 24 * time.Hour

// Files that a clip or an export needs are needed now; the others were when
// they were last.
const needNow = `UPDATE files f SET needed = now() WHERE needed < now() - interval '1 hour' AND
	(EXISTS (SELECT FROM clip_files c WHERE c.hash = f.hash) OR EXISTS (SELECT FROM export_parts p WHERE f.hash IN (p.video, p.poster))
	OR EXISTS (SELECT FROM cuts WHERE f.hash IN (photo, result, shadow)))`

const unneeded = `FROM files f WHERE f.needed < now() - $1::interval
	AND NOT EXISTS (SELECT FROM clip_files c WHERE c.hash = f.hash)
	AND NOT EXISTS (SELECT FROM export_parts p WHERE f.hash IN (p.video, p.poster))
	AND NOT EXISTS (SELECT FROM cuts WHERE f.hash IN (photo, result, shadow))`

// A job is dead when its part is not being worked on in that attempt.
const deadJobs = `FROM river_job j WHERE j.kind = 'export_part' AND j.state = 'running' AND j.attempted_at < now() - interval '10 minutes'
	AND NOT EXISTS (SELECT FROM export_parts p WHERE p.export_id = j.args->>'export' AND p.shape = j.args->>'shape'
		AND p.attempt = (j.args->>'attempt')::int AND p.state = 'running' AND p.heartbeat > now() - interval '10 minutes')`

// A cut that was taken off the Bench long ago.
const goneCuts = `FROM cuts WHERE removed < now() - $1::interval`

const goneClips = `FROM clips WHERE deleted < now() - $1::interval`

const oldSessions = `FROM sessions WHERE seen < now() - $1::interval`

// Tidy removes what nothing has needed for so long, or only counts it. It takes
// files a hundred at a time, so that nobody waits for it.
func (s *Store) Tidy(ctx context.Context, keeping time.Duration, only bool) (t Tidied, err error) {
	if err := s.row(ctx, `SELECT count(*) `+goneClips, []any{keeping}, &t.Clips); err != nil {
		return t, err
	}
	if !only {
		if _, err := s.exec(ctx, `DELETE `+goneClips, keeping); err != nil {
			return t, err
		}
	}
	if !only {
		if _, err := s.exec(ctx, `DELETE `+goneCuts, keeping); err != nil {
			return t, err
		}
	}
	if _, err := s.exec(ctx, needNow); err != nil {
		return t, err
	}
	if err := s.row(ctx, `SELECT count(*), coalesce(sum(bytes), 0), (SELECT count(*) FROM props WHERE hash IN (SELECT f.hash `+unneeded+`)) `+unneeded,
		[]any{keeping}, &t.Files, &t.Bytes, &t.Props); err != nil {
		return t, err
	}
	if err := s.row(ctx, `SELECT count(*) `+deadJobs, nil, &t.Jobs); err != nil {
		return t, err
	}
	if err := s.row(ctx, `SELECT count(*) `+oldSessions, []any{unseen}, &t.Sessions); err != nil || only {
		return t, err
	}
	for {
		n, err := s.tidyFiles(ctx, keeping)
		if err != nil {
			return t, err
		}
		if n == 0 {
			break
		}
	}
	if _, err := s.exec(ctx, `DELETE `+deadJobs); err != nil {
		return t, err
	}
	// Nobody asks any more what became of what was brought in days ago.
	if _, err := s.exec(ctx, `DELETE FROM intakes WHERE created < now() - interval '3 days'`); err != nil {
		return t, err
	}
	_, err = s.exec(ctx, `DELETE `+oldSessions, unseen)
	return t, err
}

// tidyFiles removes some files. One that is being brought into a clip at the
// moment is locked and left alone.
func (s *Store) tidyFiles(ctx context.Context, keeping time.Duration) (n int, err error) {
	err = s.tx(ctx, func(ctx context.Context, tx pgx.Tx) error {
		rows, err := tx.Query(ctx, `SELECT f.hash `+unneeded+` LIMIT 100 FOR UPDATE SKIP LOCKED`, keeping)
		if err != nil {
			return err
		}
		hashes, err := pgx.CollectRows(rows, pgx.RowTo[string])
		if err != nil || len(hashes) == 0 {
			return err
		}
		n = len(hashes)
		batch := &pgx.Batch{}
		batch.Queue(`DELETE FROM props WHERE hash = ANY($1)`, hashes)
		batch.Queue(`DELETE FROM files WHERE hash = ANY($1)`, hashes)
		return tx.SendBatch(ctx, batch).Close()
	})
	return n, err
}
