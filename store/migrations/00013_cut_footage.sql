-- +goose Up
-- Cutting a thing out of footage takes long, so that it comes to the shelf as footage does.
ALTER TABLE intakes ADD COLUMN cut text REFERENCES cuts (id) ON DELETE CASCADE;
ALTER TABLE intakes ADD COLUMN wanted jsonb; -- the order that is followed

-- +goose Down
ALTER TABLE intakes DROP COLUMN wanted;
ALTER TABLE intakes DROP COLUMN cut;
