package store_test

import (
	"database/sql"
	"encoding/json"
	"os"
	"slices"
	"strings"
	"testing"

	"billow/core/clip"
	"billow/store"

	_ "github.com/jackc/pgx/v5/stdlib" // the driver that goose is given
	"github.com/pressly/goose/v3"
)

// A database of the first Billow, with a clip in three revisions and a file,
// is brought up to date with all that is in it.
func TestTheFirstDatabaseIsBroughtUpToDate(t *testing.T) {
	ctx := t.Context()
	if _, err := db.Pool.Exec(ctx, `CREATE DATABASE first`); err != nil {
		t.Fatal(err)
	}
	url := strings.Replace(db.URL, "/postgres?", "/first?", 1)
	old, err := sql.Open("pgx", url)
	if err != nil {
		t.Fatal(err)
	}
	defer old.Close()
	p, err := goose.NewProvider(goose.DialectPostgres, old, os.DirFS("migrations"))
	if err != nil {
		t.Fatal(err)
	}
	if _, err := p.UpTo(ctx, 1); err != nil {
		t.Fatal(err)
	}
	tall, _ := clip.StandardShape("tall")
	hash := strings.Repeat("c", 64)
	run := func(query string, args ...any) {
		t.Helper()
		if _, err := old.ExecContext(ctx, query, args...); err != nil {
			t.Fatal(err)
		}
	}
	run(`INSERT INTO files (hash, media, bytes) VALUES ($1, 'image/png', 0)`, hash)
	for revision, name := range []string{"", "One", "Two", "Three"} {
		c := clip.New(name, tall, 30, 60+revision)
		c.Loudness = 0 // the first version knew nothing of it
		if revision == 0 {
			c.Name = "None"
			run(`INSERT INTO clips (id, name, revision, doc) VALUES ('old', 'None', 0, $1)`, version1(t, c))
			continue
		}
		if revision == 2 {
			c.Props = []clip.Prop{{ID: "p", Name: "P", Kind: clip.KindCutout, Hash: hash, Media: "image/png", Picture: &clip.Picture{W: 2, H: 2, Visible: [4]int{0, 0, 2, 2}}}}
		}
		run(`INSERT INTO revisions (clip_id, revision, doc, change) VALUES ('old', $1, $2, 'Changed')`, revision, version1(t, c))
		run(`UPDATE clips SET revision = $1, name = $2, doc = $3`, revision, name, version1(t, c))
	}
	s, err := store.Open(ctx, url)
	if err != nil {
		t.Fatal(err)
	}
	defer s.Close()
	for revision, name := range []string{"", "One", "Two", "Three"} {
		if revision == 0 {
			continue
		}
		if st, err := s.StateAt(ctx, "old", revision); err != nil || st.Clip.Name != name {
			t.Errorf("revision %d is %+v (%v)", revision, st, err)
		}
	}
	list, _, err := s.Clips(ctx, store.ClipQuery{Sort: "changed", Limit: 10})
	if err != nil || len(list) != 1 || list[0].Name != "Three" || list[0].Summary.Length != 63 || list[0].Summary.Shape != tall {
		t.Errorf("the list is %+v (%v)", list, err)
	}
	out, err := s.Edit(ctx, "old", 2, []store.Edit{{ID: "first-edit", Command: named("Four")}})
	if err != nil || out.Revision != 4 || !out.Whole {
		t.Errorf("an edit gives %+v (%v); who knows revision 2 has to take the whole clip", out, err)
	}
	if _, err := s.Restore(ctx, "old", 2, 4, "bring-it-back"); err != nil {
		t.Fatal(err)
	}
	if st, err := s.State(ctx, "old"); err != nil || st.Clip.Name != "Two" || len(st.Clip.Props) != 1 {
		t.Errorf("revision 2 came back as %+v (%v)", st, err)
	}
	run(`UPDATE files SET needed = now() - interval '1 year'`)
	if gone, err := s.Tidy(ctx, store.Keeping, false); err != nil || gone.Files != 0 {
		t.Errorf("tidying takes %+v (%v), though an old revision needs the file", gone, err)
	}
}

// version1 is an empty clip as the first Billow wrote it: without scenes, with a
// length.
func version1(t *testing.T, c *clip.Clip) []byte {
	t.Helper()
	var doc map[string]any
	if err := json.Unmarshal(c.Encode(), &doc); err != nil {
		t.Fatal(err)
	}
	doc["version"], doc["length"] = 1, c.Length
	doc["layers"] = slices.DeleteFunc(doc["layers"].([]any), func(l any) bool { return l.(map[string]any)["kind"] == clip.KindScene })
	b, err := json.Marshal(doc)
	if err != nil {
		t.Fatal(err)
	}
	return b
}
