package store

import (
	"context"
	"encoding/json"
	"io"

	"billow/core/clip"
)

// Use is a clip in which something is used.
type Use struct {
	ID   string `json:"id"`
	Name string `json:"name"`
}

// Shelved is a prop on the shelf, with the clips that need its file now, the one
// that was changed last first.
type Shelved struct {
	Prop  json.RawMessage `json:"prop"`
	Clips []Use           `json:"clips"`
}

// MostProps is how many props the shelf shows at once.
const MostProps = 500

// used is in which clips each file is used. Clips that were last changed by an
// older Billow do not tell, but which they have ever needed is known.
const used = `WITH used AS (
	SELECT f.hash, json_agg(json_build_object('id', c.id, 'name', c.name) ORDER BY c.updated_at DESC) AS clips
	FROM clips c CROSS JOIN LATERAL (
		SELECT json_array_elements_text(c.summary->'files') AS hash
		UNION SELECT o.hash FROM clip_files o WHERE o.clip_id = c.id AND c.summary->'files' IS NULL) f
	WHERE c.deleted IS NULL GROUP BY f.hash) `

// Props lists the props that were brought in, the newest first.
func (s *Store) Props(ctx context.Context) ([]Shelved, error) {
	return many[Shelved](ctx, s, used+`SELECT p.prop, coalesce(u.clips, '[]') FROM props p LEFT JOIN used u USING (hash)
		WHERE p.removed IS NULL ORDER BY p.created_at DESC, p.hash LIMIT $1`, MostProps)
}

// PutProp remembers a prop whose file is stored. Who made it, once said, stays known.
func (s *Store) PutProp(ctx context.Context, p clip.Prop) error {
	b, err := json.Marshal(p)
	if err != nil {
		return err
	}
	_, err = s.exec(ctx, `INSERT INTO props (hash, name, prop) VALUES ($1, $2, $3)
		ON CONFLICT (hash) DO UPDATE SET name = excluded.name, prop = CASE
			WHEN coalesce(excluded.prop->>'credit', '') = '' AND props.prop->>'credit' <> ''
			THEN jsonb_set(excluded.prop::jsonb, '{credit}', props.prop::jsonb->'credit')::json ELSE excluded.prop END, created_at = now(), removed = NULL`, p.Hash, p.Name, b)
	return err
}

// Keep stores a prop and its file, and the coarse copy of that if there is one.
func (s *Store) Keep(ctx context.Context, p clip.Prop, file io.Reader, coarse []byte) error {
	if err := s.PutFile(ctx, p.Hash, p.Media, file); err != nil {
		return err
	}
	if coarse != nil {
		if err := s.KeepCoarse(ctx, p.Hash, coarse); err != nil {
			return err
		}
	}
	return s.PutProp(ctx, p)
}

// PropOf is what is known of a file that was brought in once.
func (s *Store) PropOf(ctx context.Context, hash string) (p clip.Prop, err error) {
	var raw json.RawMessage
	if err := s.row(ctx, `SELECT prop FROM props WHERE hash = $1`, []any{hash}, &raw); err != nil {
		return p, err
	}
	err = json.Unmarshal(raw, &p)
	return p, err
}

// RemoveProp takes a prop from the shelf. Clips that use it keep it.
func (s *Store) RemoveProp(ctx context.Context, hash string) error {
	return s.found(ctx, `UPDATE props SET removed = now() WHERE hash = $1 AND removed IS NULL`, hash)
}

// CreditProp says who made a prop that is on the shelf.
func (s *Store) CreditProp(ctx context.Context, hash, credit string) error {
	return s.found(ctx, `UPDATE props SET prop = jsonb_set(prop::jsonb, '{credit}', to_jsonb($2::text))::json WHERE hash = $1 AND removed IS NULL`, hash, credit)
}

// ReturnProp puts a prop that was removed back on the shelf.
func (s *Store) ReturnProp(ctx context.Context, hash string) error {
	return s.found(ctx, `UPDATE props SET removed = NULL WHERE hash = $1`, hash)
}

// found runs a statement that has to find a row.
func (s *Store) found(ctx context.Context, sql string, args ...any) error {
	n, err := s.exec(ctx, sql, args...)
	if err == nil && n == 0 {
		return ErrNotFound
	}
	return err
}

// Small is the small picture of a file. The first time it is made, and kept.
func (s *Store) Small(ctx context.Context, hash string, make func(f *File) ([]byte, error)) ([]byte, error) {
	var small []byte
	if err := s.row(ctx, `SELECT small FROM files WHERE hash = $1`, []any{hash}, &small); err != nil || small != nil {
		return small, err
	}
	f, err := s.OpenFile(ctx, hash)
	if err != nil {
		return nil, err
	}
	if small, err = make(f); err != nil {
		return nil, err
	}
	_, err = s.exec(ctx, `UPDATE files SET small = $2 WHERE hash = $1`, hash, small)
	return small, err
}

// Coarse is the coarse copy of a picture, a PNG, or nil while there is none.
func (s *Store) Coarse(ctx context.Context, hash string) (png []byte, err error) {
	err = s.row(ctx, `SELECT coarse FROM files WHERE hash = $1`, []any{hash}, &png)
	return png, err
}

// KeepCoarse keeps the coarse copy of a picture.
func (s *Store) KeepCoarse(ctx context.Context, hash string, png []byte) error {
	_, err := s.exec(ctx, `UPDATE files SET coarse = $2 WHERE hash = $1`, hash, png)
	return err
}
