package store_test

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"math/rand"
	"strings"
	"sync"
	"testing"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/edit"
	"billow/store"

	"github.com/jackc/pgx/v5/pgxpool"
)

func named(name string) json.RawMessage {
	return json.RawMessage(fmt.Sprintf(`{"type":"setClip","name":%q}`, name))
}

func send(t *testing.T, id string, after int, edits ...store.Edit) store.Outcome {
	t.Helper()
	out, err := db.Edit(t.Context(), id, after, edits)
	if err != nil {
		t.Fatal(err)
	}
	return out
}

// A command whose answer was lost is sent again: it has the revision that it
// had, and the clip does not change.
func TestAnEditSentAgainChangesNothing(t *testing.T) {
	id, _ := made(t)
	first := send(t, id, 1, store.Edit{ID: "first-one", Command: named("One")}, store.Edit{ID: "second-one", Command: named("Two")})
	if first.Revision != 3 || first.Verdicts[0].Revision != 2 || first.Verdicts[1].Revision != 3 {
		t.Fatalf("two edits give %+v", first)
	}
	send(t, id, 3, store.Edit{ID: "another-one", Command: named("Three")})
	again := send(t, id, 1, store.Edit{ID: "second-one", Command: named("Two")}, store.Edit{ID: "third-one", Command: named("Four")})
	if again.Verdicts[0].Revision != 3 || again.Verdicts[1].Revision != 5 || again.Revision != 5 {
		t.Errorf("sent again, they have %+v", again.Verdicts)
	}
	if len(again.Missing) != 3 || again.Missing[2].ID != "another-one" || again.Missing[2].Revision != 4 {
		t.Errorf("who knows revision 1 is told %+v", again.Missing)
	}
	st, err := db.State(t.Context(), id)
	if err != nil || st.Clip.Name != "Four" || st.Revision != 5 {
		t.Errorf("the clip is %q at %d (%v)", st.Clip.Name, st.Revision, err)
	}
}

func TestAnEditThatDoesNotFitIsLeftOutAlone(t *testing.T) {
	id, _ := made(t)
	out := send(t, id, 1, store.Edit{ID: "good-one", Command: named("Good")},
		store.Edit{ID: "bad-one-1", Command: json.RawMessage(`{"type":"removeLayer","layer":"gone"}`)},
		store.Edit{ID: "bad-one-2", Command: json.RawMessage(`{"type":"addProp","prop":{"id":"p","name":"Ghost","kind":"cutout","hash":"` + strings.Repeat("0", 64) + `","media":"image/png","picture":{"w":2,"h":2,"visible":[0,0,2,2]}}}`)},
		store.Edit{ID: "good-two", Command: json.RawMessage(`{"type":"setLight","set":{"strength":12}}`)})
	var got []string
	for _, v := range out.Verdicts {
		reason := ""
		if v.Refused != nil {
			reason = v.Refused.Reason
		}
		got = append(got, fmt.Sprintf("%s %d %s", v.ID, v.Revision, reason))
	}
	if out.Verdicts[1].What != "Layer deleted" {
		t.Errorf("what was refused is called %q", out.Verdicts[1].What)
	}
	if got[0] != "good-one 2 " || !strings.HasPrefix(got[1], "bad-one-1 0 there is no layer") || !strings.Contains(got[2], `file of "Ghost" is not stored`) || got[3] != "good-two 3 " {
		t.Errorf("the verdicts are %q", got)
	}
	st, err := db.State(t.Context(), id)
	if err != nil || st.Clip.Name != "Good" || st.Clip.Light.Strength != 12 || len(st.Clip.Props) != 0 {
		t.Errorf("the clip is %+v (%v)", st, err)
	}
}

// A prop that is replaced by another file is looked at as a new one is.
func TestAFileThatIsNotStoredIsRefusedUnderAKnownID(t *testing.T) {
	id, _ := made(t)
	hash := strings.Repeat("d", 64)
	if err := db.PutFile(t.Context(), hash, "image/png", strings.NewReader("d")); err != nil {
		t.Fatal(err)
	}
	prop := func(hash string) json.RawMessage {
		return json.RawMessage(`{"type":"addProp","prop":{"id":"p","name":"Ghost","kind":"cutout","hash":"` + hash + `","media":"image/png","picture":{"w":2,"h":2,"visible":[0,0,2,2]}}}`)
	}
	out := send(t, id, 1, store.Edit{ID: "stored-1", Command: prop(hash)}, store.Edit{ID: "not-stored", Command: prop(strings.Repeat("e", 64))})
	if out.Verdicts[0].Revision != 2 || out.Verdicts[1].Refused == nil {
		t.Errorf("the verdicts are %+v", out.Verdicts)
	}
}

func TestWrongPostsAreRefusedWhole(t *testing.T) {
	id, _ := made(t)
	for _, edits := range [][]store.Edit{
		{}, {{ID: "short", Command: named("x")}}, {{ID: "with space in", Command: named("x")}},
		{{ID: "twice-the-same", Command: named("x")}, {ID: "twice-the-same", Command: named("y")}}, make([]store.Edit, 201),
	} {
		var f *clip.FieldError
		if _, err := db.Edit(t.Context(), id, 1, edits); !errors.As(err, &f) {
			t.Errorf("%d edits give %v", len(edits), err)
		}
	}
	if _, err := db.Edit(t.Context(), "nobody", 1, []store.Edit{{ID: "some-edit", Command: named("x")}}); !errors.Is(err, store.ErrNotFound) {
		t.Errorf("a clip that is not there gives %v", err)
	}
}

// Many edit one clip at once, more than there are connections; each edit is
// taken once. The sum of what they add is known.
func TestManyEditOneClipAtOnce(t *testing.T) {
	id, _ := made(t)
	send(t, id, 1, store.Edit{ID: "add-the-card", Command: card(t, id)})
	const people, each = 24, 8
	var wait sync.WaitGroup
	for p := range people {
		wait.Go(func() {
			for n := range each {
				edits := []store.Edit{{ID: fmt.Sprintf("person-%d-%d", p, n), Command: json.RawMessage(`{"type":"handle","layer":"card","shape":"tall","frame":0,"target":"rest","dx":1}`)}}
				for range 2 { // every one is sent twice
					if _, err := db.Edit(context.Background(), id, 2, edits); err != nil {
						t.Error(err)
					}
				}
			}
		})
	}
	wait.Wait()
	st, err := db.State(t.Context(), id)
	if err != nil {
		t.Fatal(err)
	}
	if x := st.Clip.Layer("card").Rest.X; x != people*each || st.Revision != 2+people*each {
		t.Errorf("the card lies at %g, revision %d; want %d and %d", x, st.Revision, people*each, 2+people*each)
	}
}

// card is the command that adds a plain card to a clip.
func card(t *testing.T, id string) json.RawMessage {
	t.Helper()
	st, err := db.State(t.Context(), id)
	if err != nil {
		t.Fatal(err)
	}
	l := clip.Draft(st.Clip, clip.KindCard, "Card", "", "")
	l.ID, l.Rest.X, l.Card.Fill = "card", 0, colour.RGB(0xDD4F28)
	b, err := json.Marshal(map[string]any{"type": "addLayer", "layer": l})
	if err != nil {
		t.Fatal(err)
	}
	return b
}

// Every revision reads back as the commands up to it make it, also from a
// process that remembers nothing, and each can be restored.
func TestEveryRevisionCanBeRestored(t *testing.T) {
	id, c := made(t)
	r := rand.New(rand.NewSource(3))
	want := []string{"", string(c.Encode())}
	command := card(t, id)
	for n := range 230 {
		next, err := edit.Apply(c, command)
		if err != nil {
			t.Fatal(err)
		}
		out := send(t, id, len(want)-1, store.Edit{ID: fmt.Sprintf("edit-%05d", n), Command: command})
		if out.Verdicts[0].Revision != len(want) || len(out.Missing) > 0 {
			t.Fatalf("edit %d gives %+v", n, out)
		}
		c, want = next, append(want, string(next.Encode()))
		command = json.RawMessage([]string{
			fmt.Sprintf(`{"type":"handle","layer":"card","shape":"tall","frame":%d,"target":"key","dx":%d}`, r.Intn(60), r.Intn(50)),
			fmt.Sprintf(`{"type":"setLight","set":{"strength":%d}}`, r.Intn(100)),
			fmt.Sprintf(`{"type":"setClip","name":"Name %d"}`, n),
			fmt.Sprintf(`{"type":"copyLayer","layer":"card","id":"copy-%d"}`, n),
		}[r.Intn(4)])
	}
	fresh, err := store.Open(t.Context(), db.Pool.Config().ConnString())
	if err != nil {
		t.Fatal(err)
	}
	defer fresh.Close()
	for n := 1; n < len(want); n++ {
		st, err := fresh.StateAt(t.Context(), id, n)
		if err != nil || string(st.Clip.Encode()) != want[n] {
			t.Fatalf("revision %d reads back differently (%v)", n, err)
		}
	}
	for i, n := range []int{1, 57, 100, 101, 199, 230} {
		out, err := fresh.Restore(t.Context(), id, n, 0, fmt.Sprintf("restore-%d", n))
		if err != nil || out.Revision != len(want)+i {
			t.Fatalf("restoring gives %+v, %v", out, err)
		}
		if st, err := db.State(t.Context(), id); err != nil || string(st.Clip.Encode()) != want[n] {
			t.Errorf("revision %d did not come back (%v)", n, err)
		}
	}
	list, err := fresh.Revisions(t.Context(), id, 0)
	if err != nil || len(list) != store.RevisionsPage || list[0].Change != "Back to revision 230" {
		t.Fatalf("the list begins with %+v (%v)", list[0], err)
	}
	rest, err := fresh.Revisions(t.Context(), id, list[len(list)-1].Revision)
	if err != nil || len(list)+len(rest) != len(want)-1+6 || rest[len(rest)-1].Revision != 1 {
		t.Errorf("the list ends after %d and %d (%v)", len(list), len(rest), err)
	}
}

// Who has been away too long, or knows of more than there is, takes the whole.
func TestWhoLacksTooMuchTakesTheWholeClip(t *testing.T) {
	id, _ := made(t)
	for n := range 4 {
		var edits []store.Edit
		for k := range 100 {
			edits = append(edits, store.Edit{ID: fmt.Sprintf("many-%d-%d", n, k), Command: named(fmt.Sprint(n, k))})
		}
		send(t, id, 1+100*n, edits...)
	}
	for after, want := range map[int][2]any{401: {0, false}, 400: {1, false}, 101: {300, false}, 100: {0, true}, 402: {0, true}} {
		out, err := db.Since(t.Context(), id, after)
		if err != nil || len(out.Missing) != want[0] || out.Whole != want[1] || out.Revision != 401 {
			t.Errorf("after %d: %d revisions, whole %v (%v)", after, len(out.Missing), out.Whole, err)
		}
	}
}

// A clip that an earlier Billow stored, whole with each revision, goes on.
func TestClipsOfAnEarlierBillowGoOn(t *testing.T) {
	pool, err := pgxpool.New(t.Context(), db.Pool.Config().ConnString())
	if err != nil {
		t.Fatal(err)
	}
	defer pool.Close()
	id, c := made(t)
	// Written in a form that is read but no longer written.
	old := strings.Replace(string(c.Encode()), `"products":[]`, `"products":null`, 1)
	if _, err := pool.Exec(t.Context(), `UPDATE revisions SET doc = $2 WHERE clip_id = $1`, id, old); err != nil {
		t.Fatal(err)
	}
	product := json.RawMessage(`{"type":"setProduct","product":{"id":"mug","name":"Mug","price":"12.00","oldPrice":"","currency":"EUR"}}`)
	fresh, err := store.Open(t.Context(), db.Pool.Config().ConnString())
	if err != nil {
		t.Fatal(err)
	}
	defer fresh.Close()
	for i, e := range []store.Edit{{ID: "edit-one", Command: product}, {ID: "edit-two", Command: named("Later")}} {
		if out, err := fresh.Edit(t.Context(), id, i+1, []store.Edit{e}); err != nil || out.Revision != i+2 {
			t.Fatalf("an edit gives %+v, %v", out, err)
		}
	}
	st, err := fresh.StateAt(t.Context(), id, 3)
	if err != nil || len(st.Clip.Products) != 1 || st.Clip.Name != "Later" {
		t.Errorf("the clip is %+v (%v)", st, err)
	}
}

func TestServersThatStartAtOnceDoNotDisturbEachOther(t *testing.T) {
	ctx := t.Context()
	if _, err := db.Pool.Exec(ctx, `CREATE DATABASE together`); err != nil {
		t.Fatal(err)
	}
	url := strings.Replace(db.Pool.Config().ConnString(), "/postgres?", "/together?", 1)
	errs := make(chan error, 6)
	for range cap(errs) {
		go func() {
			s, err := store.Open(context.Background(), url)
			if err == nil {
				s.Close()
			}
			errs <- err
		}()
	}
	for range cap(errs) {
		if err := <-errs; err != nil {
			t.Error(err)
		}
	}
}
