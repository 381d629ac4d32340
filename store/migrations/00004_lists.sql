-- +goose Up
-- A quick look is made faster and smaller, to be watched and not to be posted.
ALTER TABLE exports ADD COLUMN quick boolean NOT NULL DEFAULT false;

-- Lists are sorted by what they show.
CREATE INDEX ON clips (updated_at DESC, id);
CREATE INDEX ON clips (lower(name), id);

-- +goose Down
DROP INDEX clips_lower_id_idx, clips_updated_at_id_idx;
ALTER TABLE exports DROP COLUMN quick;
