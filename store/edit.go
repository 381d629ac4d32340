package store

import (
	"context"
	"encoding/json"
	"errors"
	"slices"
	"strconv"
	"strings"

	"billow/core/clip"
	"billow/core/edit"
	"billow/core/patch"

	"github.com/jackc/pgx/v5"
)

// Edit is a command with the ID that the page gave it.
type Edit struct {
	ID      string          `json:"id"`
	Command json.RawMessage `json:"command"`
}

// Verdict is what became of an edit: the revision that it is, or why it does
// not fit.
type Verdict struct {
	ID       string
	Revision int
	What     string // of a refused one: what it does, in a few words
	Refused  *clip.FieldError
}

// Outcome is what a page learns when it sends edits or asks what it lacks.
type Outcome struct {
	Revision int
	Verdicts []Verdict // one for each edit that was sent
	Missing  []Row     // what others did after the revision that the page knew
	Whole    bool      // there is too much of it: the page takes the whole clip
}

// Limits of a post.
const (
	MaxEdits     = 200
	mostMissing  = 300
	missingBytes = 2 << 20
	wholeEvery   = 100 // revisions
)

// Edit puts edits on top of a clip, each on the one before it. An edit whose ID
// is known already is not made again: the verdict is the revision that it
// became. One that does not fit is left out alone. after is the newest revision
// that the page knows.
func (s *Store) Edit(ctx context.Context, id string, after int, edits []Edit) (out Outcome, err error) {
	if err := checkEdits(edits); err != nil {
		return out, err
	}
	ctx, cancel := within(ctx)
	defer cancel()
	// Only one of this process waits for the row, so that many who edit one
	// clip do not take all connections.
	free, err := s.turns.wait(ctx, id)
	if err != nil {
		return out, err
	}
	defer free()
	var next *State
	err = s.tx(ctx, func(ctx context.Context, tx pgx.Tx) (err error) {
		out, next, err = s.edit(ctx, tx, id, after, edits)
		return err
	})
	if err != nil {
		return Outcome{}, err
	}
	s.states.put(next)
	if s.Changed != nil && out.Revision > after {
		s.Changed(id, out.Revision)
	}
	return out, nil
}

func checkEdits(edits []Edit) error {
	if len(edits) == 0 || len(edits) > MaxEdits {
		return clip.Fault("commands", "one to %d commands are taken at once, not %d", MaxEdits, len(edits))
	}
	seen := map[string]bool{}
	for _, e := range edits {
		if len(e.ID) < 8 || len(e.ID) > 64 || strings.Trim(e.ID, "0123456789abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ-_") != "" {
			return clip.Fault("commands.id", "a command's id has 8 to 64 letters, digits, - or _, not %q", e.ID)
		}
		if seen[e.ID] {
			return clip.Fault("commands.id", "two commands have the id %q", e.ID)
		}
		seen[e.ID] = true
	}
	return nil
}

func (s *Store) edit(ctx context.Context, tx pgx.Tx, id string, after int, edits []Edit) (out Outcome, st *State, err error) {
	known, err := lock(ctx, tx, id, edits, &out)
	if err != nil {
		return out, nil, err
	}
	if st = s.states.get(id); st == nil || st.Revision != out.Revision {
		if st, err = stateAt(ctx, tx, id, out.Revision); err != nil {
			return out, nil, err
		}
	}
	if out.Missing, out.Whole, err = missing(ctx, tx, id, after, out.Revision); err != nil {
		return out, nil, err
	}
	batch := &pgx.Batch{}
	now := *st
	for _, e := range edits {
		v := Verdict{ID: e.ID, Revision: known[e.ID]}
		if v.Revision == 0 {
			v.Revision, v.Refused, err = makeEdit(ctx, tx, batch, &now, e)
			if err != nil {
				return out, nil, err
			}
		}
		if v.Refused != nil {
			v.What = edit.Describe(e.Command)
		}
		out.Verdicts = append(out.Verdicts, v)
	}
	if now.Revision == st.Revision {
		return out, st, nil
	}
	out.Revision = now.Revision
	batch.Queue(`UPDATE clips SET revision = $2, name = $3, summary = $4, updated_at = now() WHERE id = $1`,
		id, now.Revision, now.Clip.Name, summaryOf(now.Clip))
	return out, &now, tx.SendBatch(ctx, batch).Close()
}

// lock takes the clip's row and finds which edits are made already.
func lock(ctx context.Context, tx pgx.Tx, id string, edits []Edit, out *Outcome) (known map[string]int, err error) {
	ids := make([]string, len(edits))
	for i, e := range edits {
		ids[i] = e.ID
	}
	batch := &pgx.Batch{}
	batch.Queue(`SELECT revision FROM clips WHERE id = $1 AND deleted IS NULL FOR NO KEY UPDATE`, id)
	batch.Queue(`SELECT edit_id, revision FROM revisions WHERE clip_id = $1 AND edit_id = ANY($2)`, id, ids)
	answers := tx.SendBatch(ctx, batch)
	if err := answers.QueryRow().Scan(&out.Revision); err != nil {
		return nil, errors.Join(one(err), answers.Close())
	}
	known = map[string]int{}
	rows, err := answers.Query()
	if err == nil {
		var edit string
		var revision int
		_, err = pgx.ForEachRow(rows, []any{&edit, &revision}, func() error {
			known[edit] = revision
			return nil
		})
	}
	return known, errors.Join(err, answers.Close())
}

// makeEdit makes an edit on top of a state, which moves on.
func makeEdit(ctx context.Context, tx pgx.Tx, batch *pgx.Batch, now *State, e Edit) (int, *clip.FieldError, error) {
	next, err := edit.Apply(now.Clip, e.Command)
	var refused *clip.FieldError
	if errors.As(err, &refused) {
		return 0, refused, nil
	}
	if err != nil {
		return 0, nil, err
	}
	brought, refused, err := newFiles(ctx, tx, now.Clip, next)
	if err != nil || refused != nil {
		return 0, refused, err
	}
	changes, err := edit.Difference(now.Clip, next)
	if err != nil {
		return 0, nil, err
	}
	if changes == nil {
		changes = patch.Patch{}
	}
	now.Clip = next
	now.Revision++
	var doc []byte
	if now.Revision%wholeEvery == 0 || now.stale {
		doc, now.stale = next.Encode(), false
		now.bytes = len(doc)
	}
	batch.Queue(`INSERT INTO revisions (clip_id, revision, doc, change, edit_id, command, patch) VALUES ($1, $2, $3, $4, $5, $6, $7)`,
		now.ID, now.Revision, doc, edit.Describe(e.Command), e.ID, e.Command, changes)
	if len(brought) > 0 {
		batch.Queue(`INSERT INTO clip_files SELECT $1, unnest($2::text[]) ON CONFLICT DO NOTHING`, now.ID, brought)
	}
	return now.Revision, nil, nil
}

// newFiles are the files that an edit brings into a clip. They must be stored,
// so that no clip refers to what is not there; they are locked, so that they
// stay.
func newFiles(ctx context.Context, tx pgx.Tx, before, after *clip.Clip) ([]string, *clip.FieldError, error) {
	had := map[string]bool{}
	for i := range before.Props {
		had[before.Props[i].Hash] = true
	}
	var brought []string
	for i := range after.Props {
		if hash := after.Props[i].Hash; !had[hash] {
			brought, had[hash] = append(brought, hash), true
		}
	}
	if len(brought) == 0 {
		return nil, nil, nil
	}
	rows, err := tx.Query(ctx, `SELECT hash FROM files WHERE hash = ANY($1) FOR KEY SHARE`, brought)
	if err != nil {
		return nil, nil, err
	}
	stored, err := pgx.CollectRows(rows, pgx.RowTo[string])
	if err != nil {
		return nil, nil, err
	}
	there := map[string]bool{}
	for _, hash := range stored {
		there[hash] = true
	}
	for _, p := range after.Props {
		if slices.Contains(brought, p.Hash) && !there[p.Hash] {
			return nil, clip.Fault("props["+p.ID+"].hash", "the file of %q is not stored here; bring it in again", p.Name), nil
		}
	}
	return brought, nil, nil
}

// Since is what happened to a clip after a revision.
func (s *Store) Since(ctx context.Context, id string, after int) (out Outcome, err error) {
	ctx, cancel := within(ctx)
	defer cancel()
	if err := s.Pool.QueryRow(ctx, `SELECT revision FROM clips WHERE id = $1 AND deleted IS NULL`, id).Scan(&out.Revision); err != nil {
		return out, one(err)
	}
	out.Missing, out.Whole, err = missing(ctx, s.Pool, id, after, out.Revision)
	return out, err
}

func missing(ctx context.Context, q querier, id string, after, now int) (list []Row, whole bool, err error) {
	if after == now {
		return nil, false, nil
	}
	if after > now || now-after > mostMissing {
		return nil, true, nil
	}
	if list, err = between(ctx, q, id, after, now); err != nil {
		return nil, false, err
	}
	bytes := 0
	for _, r := range list {
		bytes += len(r.Command)
		whole = whole || r.Command == nil
	}
	if whole || bytes > missingBytes {
		return nil, true, nil
	}
	return list, false, nil
}

// Between is what was done to a clip after a revision, up to another one.
func (s *Store) Between(ctx context.Context, id string, after, to int) ([]Row, error) {
	ctx, cancel := within(ctx)
	defer cancel()
	return between(ctx, s.Pool, id, after, to)
}

func between(ctx context.Context, q querier, id string, after, to int) ([]Row, error) {
	rows, err := q.Query(ctx, `SELECT revision, coalesce(edit_id, ''), command FROM revisions
		WHERE clip_id = $1 AND revision > $2 AND revision <= $3 ORDER BY revision`, id, after, to)
	if err != nil {
		return nil, err
	}
	return pgx.CollectRows(rows, pgx.RowToStructByPos[Row])
}

// Restore makes a clip again what it was at a revision, as one more edit.
func (s *Store) Restore(ctx context.Context, id string, revision, after int, editID string) (Outcome, error) {
	old, err := s.StateAt(ctx, id, revision)
	if err != nil {
		return Outcome{}, err
	}
	now, err := s.State(ctx, id)
	if err != nil {
		return Outcome{}, err
	}
	changes, err := edit.Difference(now.Clip, old.Clip)
	if err != nil {
		return Outcome{}, err
	}
	command, err := json.Marshal(edit.Undo{Typed: edit.Typed{Type: "undo"}, Changes: changes, Kind: strconv.Itoa(revision)})
	if err != nil {
		return Outcome{}, err
	}
	return s.Edit(ctx, id, after, []Edit{{editID, command}})
}
