package store

import (
	"context"
	"encoding/json"

	"billow/core/brand"
)

// MostBrands is how many brands there are at most.
const MostBrands = 50

// Brands lists all brands by name.
func (s *Store) Brands(ctx context.Context) ([]brand.Brand, error) {
	type row struct{ Brand json.RawMessage }
	rows, err := many[row](ctx, s, `SELECT brand FROM brands ORDER BY lower(name), id LIMIT $1`, MostBrands)
	if err != nil {
		return nil, err
	}
	out := make([]brand.Brand, len(rows))
	for i, r := range rows {
		if err := json.Unmarshal(r.Brand, &out[i]); err != nil {
			return nil, err
		}
		out[i].Whole()
	}
	return out, nil
}

// PutBrand keeps a brand under its ID, a new one or instead of what there was.
func (s *Store) PutBrand(ctx context.Context, b brand.Brand) error {
	raw, err := json.Marshal(b)
	if err != nil {
		return err
	}
	_, err = s.exec(ctx, `INSERT INTO brands (id, name, brand) VALUES ($1, $2, $3)
		ON CONFLICT (id) DO UPDATE SET name = excluded.name, brand = excluded.brand, updated_at = now()`, b.ID, b.Name, raw)
	return err
}

// RemoveBrand deletes a brand. Clips keep the colours that they have of it.
func (s *Store) RemoveBrand(ctx context.Context, id string) error {
	return s.found(ctx, `DELETE FROM brands WHERE id = $1`, id)
}
