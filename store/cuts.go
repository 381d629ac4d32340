package store

import (
	"context"
	"encoding/json"
	"errors"

	"billow/core/clip"
	"billow/core/cutout"
	"billow/core/edit"
)

// Cut is a photo on the Bench, with what is wanted of it and what was made.
type Cut struct {
	ID      string          `json:"id"`
	Name    string          `json:"name"`
	Photo   string          `json:"photo"`   // the file of the photo, or of footage, by its hash
	Media   string          `json:"media"`   // its media type
	Order   json.RawMessage `json:"order"`   // a cutout.Order, with those of its parts
	Result  *string         `json:"result"`  // the file of the cut-out; null while none was made
	At      [2]int          `json:"at"`      // the pixel of the photo that the result's upper left one is
	Found   json.RawMessage `json:"found"`   // a cutout.Found, or null
	Looked  bool            `json:"looked"`  // a person has looked at the result
	Changed bool            `json:"changed"` // something else is wanted than the result shows
	Clips   json.RawMessage `json:"clips"`   // a Use for each clip that shows the result
	PartOf  string          `json:"partOf"`  // the cut that this is a part of; none is ""

	Shadow   *string `json:"shadow"`   // the file of the photo's shadow; null while none is kept
	ShadowAt [2]int  `json:"shadowAt"` // the pixel of the photo that its upper left one is
}

// MostCuts is how many cuts lie on the Bench at most.
const MostCuts = 500

// What is wanted of a cut, the parts that are taken out of it included.
const ordered = `, ordered AS (
	SELECT c.id AS cut, CASE WHEN o.parts IS NULL THEN c.wanted ELSE jsonb_set(c.wanted, '{out}', o.parts) END AS whole
	FROM cuts c CROSS JOIN LATERAL (
		SELECT jsonb_agg(p.wanted ORDER BY p.created_at, p.id) AS parts FROM cuts p WHERE p.part_of = c.id AND p.removed IS NULL) o) `

const cutColumns = ordered + `SELECT c.id, c.name, c.photo, f.media, o.whole, c.result, ARRAY[c.at_x, c.at_y], c.found, c.looked,
	c.made IS DISTINCT FROM o.whole, coalesce(u.clips, '[]'), coalesce(c.part_of, ''), c.shadow, ARRAY[c.shadow_x, c.shadow_y]
	FROM cuts c JOIN ordered o ON o.cut = c.id JOIN files f ON f.hash = c.photo LEFT JOIN used u ON u.hash = c.result `

// Cuts lists what lies on the Bench, the newest first.
func (s *Store) Cuts(ctx context.Context) ([]Cut, error) {
	return many[Cut](ctx, s, used+cutColumns+`WHERE c.removed IS NULL ORDER BY c.created_at DESC, c.id LIMIT $1`, MostCuts)
}

// Cut is the cut with an ID.
func (s *Store) Cut(ctx context.Context, id string) (Cut, error) {
	list, err := many[Cut](ctx, s, used+cutColumns+`WHERE c.id = $1`, id)
	if err == nil && len(list) == 0 {
		err = ErrNotFound
	}
	if err != nil {
		return Cut{}, err
	}
	return list[0], nil
}

// LayPhoto lays a photo on the Bench and gives the ID of its cut: of the one that is there
// already, or of a new one. What was cut out here lies on it as the photo that it was cut from.
func (s *Store) LayPhoto(ctx context.Context, photo, name string) (id string, err error) {
	err = s.row(ctx, `SELECT id FROM cuts WHERE (photo = $1 AND part_of IS NULL OR $1 IN (result, shadow)) AND removed IS NULL ORDER BY created_at DESC LIMIT 1`, []any{photo}, &id)
	if !errors.Is(err, ErrNotFound) {
		return id, err
	}
	err = s.row(ctx, `INSERT INTO cuts (id, name, photo) SELECT $1, $2, hash FROM files WHERE hash = $3 RETURNING id`, []any{NewID(), name, photo}, &id)
	return id, err
}

// TakeOut begins a part of a cut and gives its ID. Its place in the cut is filled from now on.
func (s *Store) TakeOut(ctx context.Context, of string, o cutout.Order) (id string, err error) {
	raw, err := json.Marshal(o)
	if err != nil {
		return "", err
	}
	err = s.row(ctx, `INSERT INTO cuts (id, name, photo, wanted, part_of) SELECT $1, left('Part of ' || name, 120), photo, $3, id
		FROM cuts WHERE id = $2 AND part_of IS NULL AND removed IS NULL RETURNING id`, []any{NewID(), of, raw}, &id)
	return id, err
}

// OrderCut keeps what is wanted of a photo. Its parts have orders of their own, but are
// straightened as the whole is.
func (s *Store) OrderCut(ctx context.Context, id string, o cutout.Order) error {
	o.Out = nil
	raw, err := json.Marshal(o)
	if err != nil {
		return err
	}
	if err := s.found(ctx, `UPDATE cuts SET wanted = $2 WHERE id = $1`, id, raw); err != nil {
		return err
	}
	_, err = s.exec(ctx, `UPDATE cuts SET wanted = CASE WHEN $2 = 0::float THEN wanted - 'turn' ELSE jsonb_set(wanted, '{turn}', to_jsonb($2)) END
		WHERE part_of = $1 AND coalesce((wanted ->> 'turn')::float, 0) <> $2`, id, o.Turn)
	return err
}

// RemoveCut takes a cut off the Bench. What was made stays on the shelf.
func (s *Store) RemoveCut(ctx context.Context, id string) error {
	return s.found(ctx, `UPDATE cuts SET removed = now() WHERE id = $1 AND removed IS NULL`, id)
}

// ReturnCut lays a cut that was taken off the Bench on it again.
func (s *Store) ReturnCut(ctx context.Context, id string) error {
	return s.found(ctx, `UPDATE cuts SET removed = NULL WHERE id = $1`, id)
}

// Made is what was made of a photo, whose files are on the shelf already.
type Made struct {
	Order  cutout.Order // that was followed
	Piece  cutout.Finished
	Prop   clip.Prop
	Shadow *clip.Prop // the photo's shadow, when it is kept
	Looked bool       // a person has seen it
}

// FinishCut keeps what was made of a photo, and lets the clips follow that show what was
// made of it before. It gives their number.
func (s *Store) FinishCut(ctx context.Context, before Cut, m Made) (followed int, err error) {
	raw, err := json.Marshal(m.Order)
	if err != nil {
		return 0, err
	}
	found, err := json.Marshal(m.Piece.Found)
	if err != nil {
		return 0, err
	}
	at, shadowAt := m.Piece.At, [2]int{}
	var shadow *string
	if m.Shadow != nil {
		shadow, shadowAt = &m.Shadow.Hash, m.Piece.Shadow.At
	}
	if err := s.found(ctx, `UPDATE cuts SET made = $2, result = $3, at_x = $4, at_y = $5, found = $6, looked = looked OR $7,
		shadow = $8, shadow_x = $9, shadow_y = $10 WHERE id = $1`,
		before.ID, raw, m.Prop.Hash, at[0], at[1], found, m.Looked, shadow, shadowAt[0], shadowAt[1]); err != nil {
		return 0, err
	}
	if before.Shadow != nil && m.Shadow != nil {
		if _, err := s.recut(ctx, *before.Shadow, *m.Shadow, before.ShadowAt, shadowAt); err != nil {
			return 0, err
		}
	}
	if before.Result == nil {
		return 0, nil
	}
	return s.recut(ctx, *before.Result, m.Prop, before.At, at)
}

// recut gives all clips that show a file another one instead, and takes it from the shelf.
func (s *Store) recut(ctx context.Context, was string, p clip.Prop, wasAt, at [2]int) (n int, err error) {
	if was == p.Hash {
		return 0, nil
	}
	command, err := json.Marshal(edit.Recut{Typed: edit.Typed{Type: "recut"}, Was: was, WasAt: wasAt, Prop: p, At: at})
	if err != nil {
		return 0, err
	}
	var raw json.RawMessage
	if err := s.row(ctx, used+`SELECT coalesce((SELECT clips FROM used WHERE hash = $1), '[]')`, []any{was}, &raw); err != nil {
		return 0, err
	}
	var clips []Use
	if err := json.Unmarshal(raw, &clips); err != nil {
		return 0, err
	}
	for _, c := range clips {
		st, err := s.State(ctx, c.ID)
		if err != nil {
			return n, err
		}
		out, err := s.Edit(ctx, c.ID, st.Revision, []Edit{{ID: NewID(), Command: command}})
		if err != nil {
			return n, err
		}
		if out.Verdicts[0].Refused == nil { // what is known to be used may be gone by now
			n++
		}
	}
	err = s.RemoveProp(ctx, was)
	if errors.Is(err, ErrNotFound) {
		err = nil
	}
	return n, err
}

// CutOf is which cut each file of the shelf belongs to: as its photo, or as what was made
// of it.
func (s *Store) CutOf(ctx context.Context) (map[string]string, error) {
	type row struct{ Hash, Cut string }
	rows, err := many[row](ctx, s, `SELECT photo, id FROM cuts WHERE removed IS NULL UNION ALL SELECT result, id FROM cuts WHERE removed IS NULL AND result IS NOT NULL
		UNION ALL SELECT shadow, id FROM cuts WHERE removed IS NULL AND shadow IS NOT NULL`)
	out := map[string]string{}
	for _, r := range rows {
		out[r.Hash] = r.Cut
	}
	return out, err
}
