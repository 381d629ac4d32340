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
	// Files are the hashes of what the clip is made of; nil in summaries that an
	// older Billow has written.
	Files    []string  `json:"files"`
	Products []Offered `json:"products"`
}

// Offered is a product of a clip with its picture, to be offered to other clips.
type Offered struct {
	Product clip.Product `json:"product"`
	Prop    *clip.Prop   `json:"prop"`
}

func summaryOf(c *clip.Clip) Summary {
	out := Summary{Shape: c.Shapes[0], Rate: c.Rate, Length: c.Length, Files: []string{}, Products: []Offered{}}
	for _, p := range c.Needs() {
		out.Files = append(out.Files, p.Hash)
	}
	for _, p := range c.Products {
		out.Products = append(out.Products, Offered{p, c.Prop(p.Prop)})
	}
	return out
}

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
	// Deleted lists clips that were deleted and can be taken back.
	Deleted bool
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
	const where = ` FROM clips WHERE position(lower($1) in lower(name)) > 0 AND (deleted IS NOT NULL) = $2`
	if err := s.row(ctx, `SELECT count(*)`+where, []any{q.Search, q.Deleted}, &total); err != nil {
		return nil, 0, err
	}
	list, err = many[ClipRow](ctx, s, `SELECT id, name, revision, summary, updated_at`+where+` ORDER BY `+sorts[q.Sort]+` LIMIT $3 OFFSET $4`,
		q.Search, q.Deleted, min(q.Limit, MostClips), max(q.Offset, 0))
	return list, total, err
}

// DeleteClip takes a clip out of sight. Until it is tidied away it can be taken
// back.
func (s *Store) DeleteClip(ctx context.Context, id string) error {
	return s.found(ctx, `UPDATE clips SET deleted = now() WHERE id = $1 AND deleted IS NULL`, id)
}

// ReturnClip takes back that a clip was deleted.
func (s *Store) ReturnClip(ctx context.Context, id string) error {
	return s.found(ctx, `UPDATE clips SET deleted = NULL WHERE id = $1`, id)
}

// Offered are the products of all clips, those of the clips that were changed last
// first; each is there once, as it was last.
func (s *Store) Offered(ctx context.Context) ([]Offered, error) {
	type row struct{ Products []Offered }
	list, err := many[row](ctx, s, `SELECT coalesce(summary->'products', '[]') FROM clips WHERE deleted IS NULL ORDER BY updated_at DESC LIMIT $1`, MostClips)
	if err != nil {
		return nil, err
	}
	out, known := []Offered{}, map[string]bool{}
	for _, r := range list {
		for _, o := range r.Products {
			key := o.Product.Name
			if o.Prop != nil {
				key = o.Prop.Hash
			}
			if !known[key] {
				known[key] = true
				out = append(out, o)
			}
		}
	}
	return out, nil
}

// Heads are the newest revisions of those of some clips that are there.
func (s *Store) Heads(ctx context.Context, ids []string) (map[string]int, error) {
	type head struct {
		ID       string
		Revision int
	}
	list, err := many[head](ctx, s, `SELECT id, revision FROM clips WHERE id = ANY($1) AND deleted IS NULL`, ids)
	out := make(map[string]int, len(list))
	for _, h := range list {
		out[h.ID] = h.Revision
	}
	return out, err
}

// Row is a revision as a page needs it to catch up.
type Row struct {
	Revision int             `json:"revision"`
	ID       string          `json:"id"`
	Command  json.RawMessage `json:"command"`
}
