package store

import (
	"context"
	"encoding/json"

	"billow/core/look"
)

// MostLooks is how many looks are kept at most.
const MostLooks = 200

// Looks lists all looks that are kept, by name.
func (s *Store) Looks(ctx context.Context) ([]look.Look, error) {
	type row struct{ Look json.RawMessage }
	rows, err := many[row](ctx, s, `SELECT look FROM looks ORDER BY lower(name), id LIMIT $1`, MostLooks)
	if err != nil {
		return nil, err
	}
	out := make([]look.Look, len(rows))
	for i, r := range rows {
		if err := json.Unmarshal(r.Look, &out[i]); err != nil {
			return nil, err
		}
	}
	return out, nil
}

// PutLook keeps a look under its ID, a new one or instead of what there was.
func (s *Store) PutLook(ctx context.Context, l look.Look) error {
	raw, err := json.Marshal(l)
	if err != nil {
		return err
	}
	_, err = s.exec(ctx, `INSERT INTO looks (id, name, look) VALUES ($1, $2, $3)
		ON CONFLICT (id) DO UPDATE SET name = excluded.name, look = excluded.look, updated_at = now()`, l.ID, l.Name, raw)
	return err
}

// RemoveLook deletes a look. Layers that wear it keep its effects.
func (s *Store) RemoveLook(ctx context.Context, id string) error {
	return s.found(ctx, `DELETE FROM looks WHERE id = $1`, id)
}
