-- +goose Up
-- Exports of variants: each part is one of them, and has a file of its own name.
ALTER TABLE exports ADD COLUMN variants boolean NOT NULL DEFAULT false;
ALTER TABLE export_parts ADD COLUMN file text NOT NULL DEFAULT '';

-- +goose Down
ALTER TABLE export_parts DROP COLUMN file;
ALTER TABLE exports DROP COLUMN variants;
