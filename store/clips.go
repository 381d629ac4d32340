package store

import (
	"context"
	"encoding/json"
	"time"

	"billow/core/clip"
	"billow/core/timing"

	"github.com/jackc/pgx/v5"
)

// Summary is what lists show of a clip.
type Summary struct {
	Shape  clip.Shape  `json:"shape"`
	Rate   timing.Rate `json:"rate"`
	Length int         `json:"length"` // frames
}

func summaryOf(c *clip.Clip) Summary { return Summary{c.Shapes[0], c.Rate, c.Length} }

// ClipRow is a clip as lists show it.
type ClipRow struct {
	ID       string
	Name     string
	Revision int
	Summary  Summary
	Updated  time.Time
}

// CreateClip stores a new clip as revision 1. Its files are stored already.
func (s *Store) CreateClip(ctx context.Context, id string, c *clip.Clip, change string) error {
	return s.tx(ctx, func(ctx context.Context, tx pgx.Tx) error {
		batch := &pgx.Batch{}
		batch.Queue(`INSERT INTO clips (id, name, revision, summary) VALUES ($1, $2, 1, $3)`, id, c.Name, summaryOf(c))
		batch.Queue(`INSERT INTO revisions (clip_id, revision, doc, change) VALUES ($1, 1, $2, $3)`, id, c.Encode(), change)
		batch.Queue(`INSERT INTO clip_files SELECT $1, hash FROM files WHERE hash = ANY($2)`, id, hashes(c))
		return tx.SendBatch(ctx, batch).Close()
	})
}

// hashes are those of the files of a clip.
func hashes(c *clip.Clip) []string {
	out := make([]string, len(c.Props))
	for i := range c.Props {
		out[i] = c.Props[i].Hash
	}
	return out
}

// ClipQuery is which clips are listed, and in which order.
type ClipQuery struct {
	Search string // what their names hold, whatever the case; "" is all
	Sort   string // changed (the last first), name or length (the longest first)
	Offset int
	Limit  int // 1..MostClips
}

// MostClips is how many clips are listed at once.
const MostClips = 200

// sorts are the orders in which clips can be listed.
var sorts = map[string]string{
	"changed": "updated_at DESC, id",
	"name":    "lower(name), id",
	"length":  "(summary->>'length')::float8 / (summary->>'rate')::float8 DESC, id",
}

// Sorts tells whether clips can be listed in an order.
func Sorts(order string) bool { return sorts[order] != "" }

// Clips lists clips, and how many there are in all that are searched for. It
// reads what lists show of them, not the documents.
func (s *Store) Clips(ctx context.Context, q ClipQuery) (list []ClipRow, total int, err error) {
	const where = ` FROM clips WHERE position(lower($1) in lower(name)) > 0`
	if err := s.row(ctx, `SELECT count(*)`+where, []any{q.Search}, &total); err != nil {
		return nil, 0, err
	}
	list, err = many[ClipRow](ctx, s, `SELECT id, name, revision, summary, updated_at`+where+` ORDER BY `+sorts[q.Sort]+` LIMIT $2 OFFSET $3`,
		q.Search, min(q.Limit, MostClips), max(q.Offset, 0))
	return list, total, err
}

// DeleteClip removes a clip with its revisions and exports.
func (s *Store) DeleteClip(ctx context.Context, id string) error {
	n, err := s.exec(ctx, `DELETE FROM clips WHERE id = $1`, id)
	if err == nil && n == 0 {
		return ErrNotFound
	}
	return err
}

// Heads are the newest revisions of those of some clips that are there.
func (s *Store) Heads(ctx context.Context, ids []string) (map[string]int, error) {
	type head struct {
		ID       string
		Revision int
	}
	list, err := many[head](ctx, s, `SELECT id, revision FROM clips WHERE id = ANY($1)`, ids)
	out := make(map[string]int, len(list))
	for _, h := range list {
		out[h.ID] = h.Revision
	}
	return out, err
}

// Revision is one entry of a clip's history.
type Revision struct {
	Revision int       `json:"revision"`
	Change   string    `json:"change"`
	At       time.Time `json:"at"`
}

// RevisionsPage is how many revisions are listed at once.
const RevisionsPage = 200

// Revisions lists the revisions of a clip before one, the newest first; 0 is
// from the newest on.
func (s *Store) Revisions(ctx context.Context, id string, before int) ([]Revision, error) {
	return many[Revision](ctx, s, `SELECT revision, change, created_at FROM revisions
		WHERE clip_id = $1 AND (revision < $2 OR $2 = 0) ORDER BY revision DESC LIMIT $3`, id, before, RevisionsPage)
}

// Row is a revision as a page needs it to catch up.
type Row struct {
	Revision int             `json:"revision"`
	ID       string          `json:"id"`
	Command  json.RawMessage `json:"command"`
}
