package store_test

import (
	"strings"
	"testing"

	"billow/core/clip"
	"billow/store"

	"github.com/jackc/pgx/v5"
)

// Of files that are old, only those go that no clip in any revision and no
// export needs.
func TestTidyingTakesOnlyWhatNothingNeeds(t *testing.T) {
	ctx := t.Context()
	hash := func(s string) string { return strings.Repeat(s, 64) }
	put := func(s string) {
		t.Helper()
		p := clip.Prop{ID: s, Name: s, Kind: clip.KindCutout, Hash: hash(s), Media: "image/png", Picture: &clip.Picture{W: 2, H: 2, Visible: [4]int{0, 0, 2, 2}}}
		if err := db.Keep(ctx, p, strings.NewReader(s), nil); err != nil {
			t.Fatal(err)
		}
	}
	for _, s := range []string{"1", "2", "3", "4", "5"} {
		put(s)
	}
	id, c := made(t)
	prop := func(s string) string {
		return `{"type":"addProp","prop":{"id":"p","name":"P","kind":"cutout","hash":"` + hash(s) + `","media":"image/png","picture":{"w":2,"h":2,"visible":[0,0,2,2]}}}`
	}
	// 1 is in an earlier revision only, 2 in the newest, 3 was exported.
	send(t, id, 1, store.Edit{ID: "edit-with-1", Command: []byte(prop("1"))}, store.Edit{ID: "edit-with-2", Command: []byte(prop("2"))})
	e := store.NewID()
	if err := db.CreateExport(ctx, e, id, 1, c, []store.Wanted{{Shape: "tall"}}, false, false, func(pgx.Tx, string) error { return nil }); err != nil {
		t.Fatal(err)
	}
	if _, err := db.Pool.Exec(ctx, `UPDATE export_parts SET video = $2, poster = $2 WHERE export_id = $1`, e, hash("3")); err != nil {
		t.Fatal(err)
	}
	// 4 and 5 need nobody; 5 was brought in again lately.
	if _, err := db.Pool.Exec(ctx, `UPDATE files SET needed = now() - interval '31 days'`); err != nil {
		t.Fatal(err)
	}
	put("5")
	would, err := db.Tidy(ctx, store.Keeping, true)
	if err != nil {
		t.Fatal(err)
	}
	there := func() (out string) {
		for _, s := range []string{"1", "2", "3", "4", "5"} {
			if _, err := db.OpenFile(ctx, hash(s)); err == nil {
				out += s
			}
		}
		return out
	}
	if would.Files < 1 || there() != "12345" {
		t.Errorf("only asked, it counts %+v and leaves %s", would, there())
	}
	if did, err := db.Tidy(ctx, store.Keeping, false); err != nil || did != would || there() != "1235" {
		t.Errorf("it removes %+v (%v) and leaves %s", did, err, there())
	}
	// A deleted clip can be taken back for a while, with its files.
	if err := db.DeleteClip(ctx, id); err != nil {
		t.Fatal(err)
	}
	if _, err := db.Tidy(ctx, store.Keeping, false); err != nil || there() != "1235" {
		t.Errorf("right after its clip is deleted, %s is left (%v)", there(), err)
	}
	for _, sql := range []string{`UPDATE files SET needed = now() - interval '31 days'`, `UPDATE clips SET deleted = now() - interval '31 days'`} {
		if _, err := db.Pool.Exec(ctx, sql); err != nil {
			t.Fatal(err)
		}
	}
	if _, err := db.Tidy(ctx, store.Keeping, false); err != nil || there() != "" {
		t.Errorf("a month later %s is left (%v)", there(), err)
	}
}

func TestJobsOfDeadWorkersGo(t *testing.T) {
	e := exported(t)
	add := func(attempt string) {
		t.Helper()
		if _, err := db.Pool.Exec(t.Context(), `INSERT INTO river_job (kind, args, state, max_attempts, attempted_at, attempt)
			VALUES ('export_part', ('{"export":"'||$1::text||'","shape":"tall","attempt":'||$2::text||'}')::jsonb, 'running', 5, now() - interval '1 hour', 1)`, e, attempt); err != nil {
			t.Fatal(err)
		}
	}
	if _, err := db.StartPart(t.Context(), e, "tall", 1); err != nil {
		t.Fatal(err)
	}
	add("1") // is at work
	add("7") // is of a worker that is dead
	before, err := db.Tidy(t.Context(), store.Keeping, true)
	if err != nil || before.Jobs != 1 {
		t.Fatalf("there are %+v (%v)", before, err)
	}
	if _, err := db.Tidy(t.Context(), store.Keeping, false); err != nil {
		t.Fatal(err)
	}
	var left int
	if err := db.Pool.QueryRow(t.Context(), `SELECT count(*) FROM river_job WHERE args->>'export' = $1`, e).Scan(&left); err != nil || left != 1 {
		t.Errorf("%d jobs are left (%v)", left, err)
	}
}
