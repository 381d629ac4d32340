-- +goose Up
-- A coarse copy of a picture, for drawing it small: made when the picture is first drawn so.
ALTER TABLE files ADD COLUMN coarse bytea;

-- +goose Down
ALTER TABLE files DROP COLUMN coarse;
