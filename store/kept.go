package store

import (
	"context"
	"encoding/json"
	"errors"

	"billow/core/cutout"

	"github.com/jackc/pgx/v5"
)

// KeptWith are the cuts by which some files were made, as they were made, each with the whole
// and the parts that belong to it.
func (s *Store) KeptWith(ctx context.Context, hashes []string) ([]cutout.Kept, error) {
	type row struct {
		ID, PartOf, Name, Photo string
		Order                   cutout.Order
		Result                  string
		At                      [2]int
		Found                   cutout.Found
		Looked                  bool
		Shadow                  string
		ShadowAt                [2]int
	}
	rows, err := many[row](ctx, s, `WITH families AS (
			SELECT DISTINCT coalesce(part_of, id) AS whole FROM cuts WHERE (result = ANY($1) OR shadow = ANY($1)) AND removed IS NULL)
		SELECT c.id, coalesce(c.part_of, ''), c.name, c.photo, c.made - 'out', c.result, ARRAY[c.at_x, c.at_y], c.found, c.looked,
			coalesce(c.shadow, ''), ARRAY[c.shadow_x, c.shadow_y]
		FROM cuts c JOIN families f ON coalesce(c.part_of, c.id) = f.whole
		WHERE c.result IS NOT NULL AND c.removed IS NULL
		ORDER BY f.whole, c.part_of IS NOT NULL, c.created_at, c.id`, hashes)
	if err != nil {
		return nil, err
	}
	list, place := make([]cutout.Kept, len(rows)), map[string]int{}
	for i, r := range rows {
		place[r.ID] = i + 1
		list[i] = cutout.Kept{Name: r.Name, Photo: r.Photo, Order: r.Order, Result: r.Result, At: r.At, Found: r.Found,
			Looked: r.Looked, Shadow: r.Shadow, ShadowAt: r.ShadowAt, PartOf: place[r.PartOf]}
	}
	return list, nil
}

// Adopt lays cuts on the Bench that came along with a clip. Their files are there already; what
// lies on the Bench as it is stays.
func (s *Store) Adopt(ctx context.Context, list []cutout.Kept) error {
	return s.tx(ctx, func(ctx context.Context, tx pgx.Tx) error {
		ids := make([]string, len(list))
		for i := range list {
			err := tx.QueryRow(ctx, `SELECT id FROM cuts WHERE result = $1 AND photo = $2 AND removed IS NULL LIMIT 1`, list[i].Result, list[i].Photo).Scan(&ids[i])
			if errors.Is(err, pgx.ErrNoRows) {
				ids[i], err = adopt(ctx, tx, list, i, ids)
			}
			if err != nil {
				return err
			}
		}
		return nil
	})
}

func adopt(ctx context.Context, tx pgx.Tx, list []cutout.Kept, i int, ids []string) (id string, err error) {
	k := list[i]
	var in [3][]byte
	for j, v := range []any{k.Order, cutout.Whole(list, i), k.Found} {
		if in[j], err = json.Marshal(v); err != nil {
			return "", err
		}
	}
	partOf, id := "", NewID()
	if k.PartOf > 0 {
		partOf = ids[k.PartOf-1]
	}
	_, err = tx.Exec(ctx, `INSERT INTO cuts (id, name, photo, wanted, made, found, result, at_x, at_y, shadow, shadow_x, shadow_y, looked, part_of, created_at)
		VALUES ($1, left($2, 120), $3, $4, $5, $6, $7, $8, $9, nullif($10, ''), $11, $12, $13, nullif($14, ''), clock_timestamp())`,
		id, k.Name, k.Photo, in[0], in[1], in[2], k.Result, k.At[0], k.At[1], k.Shadow, k.ShadowAt[0], k.ShadowAt[1], k.Looked, partOf)
	return id, err
}
