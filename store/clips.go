package store

import (
	"context"
	"fmt"
	"time"

	"billow/core/clip"

	"github.com/jackc/pgx/v5"
)

// ClipRow is a clip as it is stored.
type ClipRow struct {
	ID       string
	Revision int
	Doc      []byte
	Updated  time.Time
}

// StaleError says that a clip has moved on.
type StaleError struct{ Revision int }

func (e *StaleError) Error() string {
	return fmt.Sprintf("the clip has been changed elsewhere; it is at revision %d now", e.Revision)
}

// CreateClip stores a new clip as revision 1.
func (s *Store) CreateClip(ctx context.Context, id string, c *clip.Clip, change string) error {
	return pgx.BeginFunc(ctx, s.Pool, func(tx pgx.Tx) error {
		doc := c.Encode()
		_, err := tx.Exec(ctx, `INSERT INTO clips (id, name, revision, doc) VALUES ($1, $2, 1, $3)`, id, c.Name, doc)
		if err != nil {
			return err
		}
		_, err = tx.Exec(ctx, `INSERT INTO revisions (clip_id, revision, doc, change) VALUES ($1, 1, $2, $3)`, id, doc, change)
		return err
	})
}

// Clips lists all clips, the last changed first.
func (s *Store) Clips(ctx context.Context) ([]ClipRow, error) {
	rows, err := s.Pool.Query(ctx, `SELECT id, revision, doc, updated_at FROM clips ORDER BY updated_at DESC, id LIMIT 500`)
	if err != nil {
		return nil, err
	}
	return pgx.CollectRows(rows, pgx.RowToStructByPos[ClipRow])
}

// Clip is the newest revision of a clip.
func (s *Store) Clip(ctx context.Context, id string) (r ClipRow, err error) {
	err = s.Pool.QueryRow(ctx, `SELECT id, revision, doc, updated_at FROM clips WHERE id = $1`, id).
		Scan(&r.ID, &r.Revision, &r.Doc, &r.Updated)
	return r, one(err)
}

// DeleteClip removes a clip with its revisions and exports.
func (s *Store) DeleteClip(ctx context.Context, id string) error {
	tag, err := s.Pool.Exec(ctx, `DELETE FROM clips WHERE id = $1`, id)
	if err == nil && tag.RowsAffected() == 0 {
		return ErrNotFound
	}
	return err
}

// Change replaces the clip at a revision by what change makes of it: several
// revisions in a row, each with a word for what was done. All are stored or
// none. A *StaleError says that the clip is at another revision.
func (s *Store) Change(ctx context.Context, id string, revision int, change func(doc []byte) ([]*clip.Clip, []string, error)) (int, error) {
	next := revision
	err := pgx.BeginFunc(ctx, s.Pool, func(tx pgx.Tx) error {
		var now int
		var doc []byte
		err := tx.QueryRow(ctx, `SELECT revision, doc FROM clips WHERE id = $1 FOR UPDATE`, id).Scan(&now, &doc)
		if err != nil {
			return one(err)
		}
		if now != revision {
			return &StaleError{now}
		}
		clips, words, err := change(doc)
		if err != nil {
			return err
		}
		batch := &pgx.Batch{}
		for i, c := range clips {
			next++
			doc = c.Encode()
			batch.Queue(`INSERT INTO revisions (clip_id, revision, doc, change) VALUES ($1, $2, $3, $4)`, id, next, doc, words[i])
			batch.Queue(`UPDATE clips SET revision = $2, doc = $3, name = $4, updated_at = now() WHERE id = $1`, id, next, doc, c.Name)
		}
		return tx.SendBatch(ctx, batch).Close()
	})
	return next, err
}

// Revision is one entry of a clip's history.
type Revision struct {
	Revision int       `json:"revision"`
	Change   string    `json:"change"`
	At       time.Time `json:"at"`
}

// Revisions lists the newest revisions of a clip, the newest first.
func (s *Store) Revisions(ctx context.Context, id string) ([]Revision, error) {
	rows, err := s.Pool.Query(ctx, `SELECT revision, change, created_at FROM revisions WHERE clip_id = $1 ORDER BY revision DESC LIMIT 200`, id)
	if err != nil {
		return nil, err
	}
	return pgx.CollectRows(rows, pgx.RowToStructByPos[Revision])
}

// RevisionDoc is a clip as it was at a revision.
func (s *Store) RevisionDoc(ctx context.Context, id string, revision int) (doc []byte, err error) {
	err = s.Pool.QueryRow(ctx, `SELECT doc FROM revisions WHERE clip_id = $1 AND revision = $2`, id, revision).Scan(&doc)
	return doc, one(err)
}
