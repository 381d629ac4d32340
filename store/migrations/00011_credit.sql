-- +goose Up
-- What comes from the stock shelf says who made it and under which licence it is had.
ALTER TABLE intakes ADD COLUMN credit text NOT NULL DEFAULT '';

-- +goose Down
ALTER TABLE intakes DROP COLUMN credit;
