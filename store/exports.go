package store

import (
	"context"
	"io"
	"time"

	"billow/core/clip"

	"github.com/jackc/pgx/v5"
)

// Part is one shape of an export, or one variant.
type Part struct {
	ExportID string     `json:"export"`
	Shape    string     `json:"shape"` // or the ID of a variant
	State    string     `json:"state"` // waiting, running, done, failed or cancelled
	Attempt  int        `json:"attempt"`
	Done     int        `json:"done"` // frames
	Total    int        `json:"total"`
	Started  *time.Time `json:"started"`
	Video    *string    `json:"video"` // hash
	Poster   *string    `json:"poster"`
	Error    string     `json:"error"`
	Created  time.Time  `json:"created"`
	Elapsed  float64    `json:"elapsed"` // seconds since it was started, by the database's clock
	Quick    bool       `json:"quick"`   // a look, not to be posted
	File     string     `json:"file"`    // how a variant's files are called; none is by the clip and the shape
}

// Wanted is a part that is to be exported.
type Wanted struct {
	Shape string // or the ID of a variant
	File  string
}

const partColumns = `p.export_id, p.shape, p.state, p.attempt, p.done, p.total, p.started, p.video, p.poster, p.error,
	e.created_at, coalesce(extract(epoch FROM now() - p.started), 0)::float8, e.quick, p.file`

// CreateExport stores an export of some shapes, or of variants, and calls enqueue for each in
// the same transaction.
func (s *Store) CreateExport(ctx context.Context, id, clipID string, revision int, c *clip.Clip, parts []Wanted, quick, variants bool,
	enqueue func(tx pgx.Tx, shape string) error) error {
	return s.tx(ctx, func(ctx context.Context, tx pgx.Tx) error {
		_, err := tx.Exec(ctx, `INSERT INTO exports (id, clip_id, revision, doc, quick, variants) VALUES ($1, $2, $3, $4, $5, $6)`, id, clipID, revision, c.Encode(), quick, variants)
		if err != nil {
			return err
		}
		for i, p := range parts {
			_, err := tx.Exec(ctx, `INSERT INTO export_parts (export_id, shape, ordinal, total, file) VALUES ($1, $2, $3, $4, $5)`, id, p.Shape, i, c.Length, p.File)
			if err != nil {
				return err
			}
			if err := enqueue(tx, p.Shape); err != nil {
				return err
			}
		}
		return nil
	})
}

// Parts lists the parts of a clip's last exports, the newest export first.
func (s *Store) Parts(ctx context.Context, clipID string) ([]Part, error) {
	return many[Part](ctx, s, `SELECT `+partColumns+` FROM export_parts p JOIN exports e ON e.id = p.export_id
		WHERE e.clip_id = $1 AND NOT e.variants ORDER BY e.created_at DESC, p.ordinal LIMIT 60`, clipID)
}

// VariantExports are how far the last exports of a clip's variants have come, the newest first.
type VariantExports struct {
	ID        string    `json:"id"`
	Created   time.Time `json:"created"`
	Quick     bool      `json:"quick"`
	Total     int       `json:"total"`
	Done      int       `json:"done"`
	Failed    int       `json:"failed"`
	Cancelled int       `json:"cancelled"`
	Frames    float64   `json:"frames"` // the share of all frames that are drawn, 0..1
	Problem   string    `json:"problem"`
}

// VariantExports lists the last exports of a clip's variants.
func (s *Store) VariantExports(ctx context.Context, clipID string) ([]VariantExports, error) {
	return many[VariantExports](ctx, s, `SELECT e.id, e.created_at, e.quick, count(*)::int,
			(count(*) FILTER (WHERE p.state = 'done'))::int, (count(*) FILTER (WHERE p.state = 'failed'))::int, (count(*) FILTER (WHERE p.state = 'cancelled'))::int,
			coalesce(sum(p.done)::float8 / nullif(sum(p.total), 0), 0)::float8, coalesce(max(p.error) FILTER (WHERE p.state = 'failed'), '')
		FROM exports e JOIN export_parts p ON p.export_id = e.id WHERE e.clip_id = $1 AND e.variants
		GROUP BY e.id ORDER BY e.created_at DESC LIMIT 4`, clipID)
}

// PartsOf are all parts of an export, in their order.
func (s *Store) PartsOf(ctx context.Context, exportID string) ([]Part, error) {
	return many[Part](ctx, s, `SELECT `+partColumns+` FROM export_parts p JOIN exports e ON e.id = p.export_id
		WHERE p.export_id = $1 ORDER BY p.ordinal`, exportID)
}

// Part is one part of an export.
func (s *Store) Part(ctx context.Context, exportID, shape string) (Part, error) {
	list, err := many[Part](ctx, s, `SELECT `+partColumns+` FROM export_parts p JOIN exports e ON e.id = p.export_id
		WHERE p.export_id = $1 AND p.shape = $2`, exportID, shape)
	if err == nil && len(list) == 0 {
		err = ErrNotFound
	}
	if err != nil {
		return Part{}, err
	}
	return list[0], nil
}

// ExportDoc is the clip of an export, and whether it is a quick look.
func (s *Store) ExportDoc(ctx context.Context, exportID string) (doc []byte, quick bool, err error) {
	err = s.row(ctx, `SELECT doc, quick FROM exports WHERE id = $1`, []any{exportID}, &doc, &quick)
	return doc, quick, err
}

// StartPart marks a part as running; false when this attempt is no longer wanted.
func (s *Store) StartPart(ctx context.Context, exportID, shape string, attempt int) (bool, error) {
	n, err := s.exec(ctx, `UPDATE export_parts SET state = 'running', started = now(), heartbeat = now(), done = 0, error = ''
		WHERE export_id = $1 AND shape = $2 AND attempt = $3 AND state IN ('waiting', 'running')`, exportID, shape, attempt)
	return n == 1, err
}

// Progress notes how many frames are done and that the worker lives; false when
// the part was cancelled or given to another worker.
func (s *Store) Progress(ctx context.Context, exportID, shape string, attempt, done int) (bool, error) {
	n, err := s.exec(ctx, `UPDATE export_parts SET done = $4, heartbeat = now()
		WHERE export_id = $1 AND shape = $2 AND attempt = $3 AND state = 'running'`, exportID, shape, attempt, done)
	return n == 1, err
}

// Content is a file to be stored.
type Content struct {
	Hash, Media string
	io.Reader
}

// FinishPart stores the files of a part and marks it done, all at once.
func (s *Store) FinishPart(ctx context.Context, exportID, shape string, attempt int, video, poster Content) error {
	return pgx.BeginFunc(ctx, s.Pool, func(tx pgx.Tx) error {
		for _, c := range []Content{video, poster} {
			if err := putFile(ctx, tx, c.Hash, c.Media, c); err != nil {
				return err
			}
		}
		_, err := tx.Exec(ctx, `UPDATE export_parts SET state = 'done', done = total, video = $4, poster = $5
			WHERE export_id = $1 AND shape = $2 AND attempt = $3 AND state = 'running'`, exportID, shape, attempt, video.Hash, poster.Hash)
		return err
	})
}

// MaxFailures is how often a part may fail before it is given up.
const MaxFailures = 3

// maxAttempts bounds how often a part is begun at all, for machines that end in
// the middle of it.
const maxAttempts = 25

// FailPart notes why a part failed. It is tried again (enqueue is called in the
// same transaction) unless it failed too often or for good.
func (s *Store) FailPart(ctx context.Context, exportID, shape string, attempt int, reason string, final bool,
	enqueue func(tx pgx.Tx, p Part) error) error {
	most := MaxFailures
	if final {
		most = 1
	}
	return s.again(ctx, `UPDATE export_parts p SET failures = p.failures + 1, error = $4, queued = now(), done = 0,
			attempt = p.attempt + 1, state = CASE WHEN p.failures + 1 >= $5 THEN 'failed' ELSE 'waiting' END
		FROM exports e WHERE e.id = p.export_id AND p.export_id = $1 AND p.shape = $2 AND p.attempt = $3 AND p.state = 'running'
		RETURNING `+partColumns, []any{exportID, shape, attempt, reason, most}, enqueue)
}

// ReleasePart gives a part back that a worker cannot finish since it is being
// stopped.
func (s *Store) ReleasePart(ctx context.Context, exportID, shape string, attempt int, enqueue func(tx pgx.Tx, p Part) error) error {
	return s.again(ctx, `UPDATE export_parts p SET state = 'waiting', attempt = p.attempt + 1, done = 0, queued = now()
		FROM exports e WHERE e.id = p.export_id AND p.export_id = $1 AND p.shape = $2 AND p.attempt = $3 AND p.state = 'running'
		RETURNING `+partColumns, []any{exportID, shape, attempt}, enqueue)
}

// again updates parts and queues those that wait then.
func (s *Store) again(ctx context.Context, sql string, args []any, enqueue func(tx pgx.Tx, p Part) error) error {
	return s.tx(ctx, func(ctx context.Context, tx pgx.Tx) error {
		rows, err := tx.Query(ctx, sql, args...)
		if err != nil {
			return err
		}
		parts, err := pgx.CollectRows(rows, pgx.RowToStructByPos[Part])
		if err != nil {
			return err
		}
		for _, p := range parts {
			if p.State != "waiting" {
				continue
			}
			if err := enqueue(tx, p); err != nil {
				return err
			}
		}
		return nil
	})
}

// CancelExport stops what is not finished of an export.
func (s *Store) CancelExport(ctx context.Context, exportID string) error {
	_, err := s.exec(ctx, `UPDATE export_parts SET state = 'cancelled'
		WHERE export_id = $1 AND state IN ('waiting', 'running')`, exportID)
	return err
}

// Orphans gives parts whose worker has not been heard of for the given time to
// a new attempt, and queues parts whose job is gone, or was taken by a worker that ended before it
// could begin.
func (s *Store) Orphans(ctx context.Context, silent time.Duration, enqueue func(tx pgx.Tx, p Part) error) error {
	err := s.again(ctx, `UPDATE export_parts p SET attempt = p.attempt + 1, done = 0, queued = now(),
			state = CASE WHEN p.attempt >= $2 THEN 'failed' ELSE 'waiting' END,
			error = CASE WHEN p.attempt >= $2 THEN 'the machines that drew it ended in the middle each time; look at their logs' ELSE '' END
		FROM exports e WHERE e.id = p.export_id AND p.state = 'running' AND p.heartbeat < now() - $1::interval
		RETURNING `+partColumns, []any{silent, maxAttempts}, enqueue)
	if err != nil {
		return err
	}
	return s.again(ctx, `UPDATE export_parts p SET attempt = p.attempt + 1, queued = now()
		FROM exports e WHERE e.id = p.export_id AND p.state = 'waiting' AND p.queued < now() - interval '20 seconds'
		AND NOT EXISTS (SELECT FROM river_job j WHERE j.kind = 'export_part' AND j.args->>'export' = p.export_id
			AND j.args->>'shape' = p.shape AND (j.args->>'attempt')::int = p.attempt
			AND (j.state IN ('available', 'pending', 'retryable', 'scheduled') OR j.state = 'running' AND j.attempted_at > now() - interval '20 seconds'))
		RETURNING `+partColumns, nil, enqueue)
}
