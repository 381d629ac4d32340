package store_test

import (
	"encoding/json"
	"errors"
	"strings"
	"testing"
	"time"

	"billow/core/clip"
	"billow/core/cutout"
	"billow/core/paint"
	"billow/store"
)

// pictureProp is a picture of a size on the shelf, under a hash that ends in a letter.
func pictureProp(t *testing.T, db *store.Store, name, ends string, w, h int) clip.Prop {
	t.Helper()
	p := clip.Prop{ID: "prop-" + ends, Name: name, Kind: clip.KindCutout, Hash: strings.Repeat("b", 62) + ends, Media: "image/png",
		Picture: &clip.Picture{W: w, H: h, Visible: [4]int{0, 0, w, h}, Area: 1}}
	if err := db.Keep(t.Context(), p, strings.NewReader("picture "+ends), nil); err != nil {
		t.Fatal(err)
	}
	return p
}

// finished is a cut whose corner lies at a pixel of the photo.
func finished(x, y int) cutout.Finished {
	return cutout.Finished{Piece: cutout.Piece{Picture: paint.NewBitmap(1, 1), At: [2]int{x, y}}, Found: cutout.Found{Method: cutout.Plain, Confidence: .9}}
}

func TestACutIsKeptAndClipsFollowIt(t *testing.T) {
	ctx := t.Context()
	photo := pictureProp(t, db, "Cup on card", "10", 400, 300)
	id, err := db.LayPhoto(ctx, photo.Hash, photo.Name)
	if err != nil {
		t.Fatal(err)
	}
	if again, err := db.LayPhoto(ctx, photo.Hash, "Another name"); err != nil || again != id {
		t.Errorf("the same photo lies there as %q, %v, and as %q", id, err, again)
	}
	order := cutout.Order{Strokes: []cutout.Stroke{{Stays: true, Radius: 4, Points: [][2]float64{{1, 2}}}}}
	if err := db.OrderCut(ctx, id, order); err != nil {
		t.Fatal(err)
	}
	before, err := db.Cut(ctx, id)
	if err != nil {
		t.Fatal(err)
	}
	var kept cutout.Order
	if err := json.Unmarshal(before.Order, &kept); err != nil || len(kept.Strokes) != 1 || before.Result != nil || !before.Changed {
		t.Errorf("it is kept as %+v, %v", before, err)
	}
	first := pictureProp(t, db, "Cup", "11", 100, 80)
	if _, err := db.FinishCut(ctx, before, store.Made{Order: order, Piece: finished(50, 40), Prop: first, Looked: true}); err != nil {
		t.Fatal(err)
	}

	tall, _ := clip.StandardShape("tall")
	c := clip.New("Cups follow", tall, 30, 90)
	c.Props = []clip.Prop{first}
	l := clip.Draft(c, clip.KindCutout, "Cup", first.ID, "")
	l.ID, l.Group, l.Rest = "cup", "scene", clip.Rest{Pin: "centre", X: 10, Y: 20, Size: 200}
	c.Layers = append(c.Layers, l)
	clipID := store.NewID()
	if err := db.CreateClip(ctx, clipID, c, "New"); err != nil {
		t.Fatal(err)
	}
	made, err := db.Cut(ctx, id)
	if err != nil {
		t.Fatal(err)
	}
	if made.Changed || !made.Looked || made.Result == nil || *made.Result != first.Hash || !strings.Contains(string(made.Clips), "Cups follow") {
		t.Errorf("once it was made it is %+v", made)
	}
	second := pictureProp(t, db, "Cup", "12", 120, 80) // 20 pixels more on its left
	if n, err := db.FinishCut(ctx, made, store.Made{Order: order, Piece: finished(30, 40), Prop: second, Looked: true}); err != nil || n != 1 {
		t.Fatalf("%d clips follow, %v", n, err)
	}
	st, err := db.State(ctx, clipID)
	if err != nil {
		t.Fatal(err)
	}
	// A pixel was 2 units; the middle is now 10 pixels further left.
	if rest := st.Clip.Layer("cup").Rest; st.Clip.Props[0].Hash != second.Hash || rest.X != -10 || rest.Y != 20 || rest.Size != 240 {
		t.Errorf("the clip shows %s, standing at %+v", st.Clip.Props[0].Hash, rest)
	}
	if there, _ := shelved(t, db, first.Hash); there {
		t.Error("the cut before is still on the shelf")
	}
	if of, err := db.CutOf(ctx); err != nil || of[second.Hash] != id || of[photo.Hash] != id || of[first.Hash] != "" {
		t.Errorf("what belongs to it: %v, %v", of, err)
	}
	if again, err := db.LayPhoto(ctx, second.Hash, "Cup"); err != nil || again != id {
		t.Errorf("what was cut out opens as %q, %v", again, err)
	}
}

func TestPartsBelongToWhatIsWantedOfTheWhole(t *testing.T) {
	ctx := t.Context()
	photo := pictureProp(t, db, "Bowl", "20", 400, 300)
	whole, err := db.LayPhoto(ctx, photo.Hash, photo.Name)
	if err != nil {
		t.Fatal(err)
	}
	around := cutout.Order{Around: [][2]float64{{1, 1}, {9, 1}, {5, 9}}}
	part, err := db.TakeOut(ctx, whole, around)
	if err != nil {
		t.Fatal(err)
	}
	outOf := func() int {
		t.Helper()
		c, err := db.Cut(ctx, whole)
		if err != nil {
			t.Fatal(err)
		}
		var o cutout.Order
		if err := json.Unmarshal(c.Order, &o); err != nil {
			t.Fatal(err)
		}
		return len(o.Out)
	}
	if c, err := db.Cut(ctx, part); err != nil || c.PartOf != whole || c.Name != "Part of Bowl" || outOf() != 1 {
		t.Errorf("the part is %+v, %v; %d are taken out", c, err, outOf())
	}
	if _, err := db.TakeOut(ctx, part, around); !errors.Is(err, store.ErrNotFound) {
		t.Errorf("a part of a part: %v", err)
	}
	// What the page says of parts does not count: they have orders of their own.
	if err := db.OrderCut(ctx, whole, cutout.Order{Out: []cutout.Order{around, around}}); err != nil || outOf() != 1 {
		t.Errorf("%d are taken out, %v", outOf(), err)
	}
	// Straightened, the whole takes its parts along, and back.
	for _, turn := range []float64{2.5, 0} {
		if err := db.OrderCut(ctx, whole, cutout.Order{Turn: turn}); err != nil {
			t.Fatal(err)
		}
		var o cutout.Order
		if c, err := db.Cut(ctx, part); err != nil || json.Unmarshal(c.Order, &o) != nil || o.Turn != turn || len(o.Around) != 3 {
			t.Errorf("of a whole that is turned by %g degrees, the part is wanted as %+v, %v", turn, o, err)
		}
	}
	if again, err := db.LayPhoto(ctx, photo.Hash, "Bowl"); err != nil || again != whole {
		t.Errorf("the photo opens as %q, %v", again, err)
	}
	if err := db.RemoveCut(ctx, part); err != nil || outOf() != 0 {
		t.Errorf("without the part %d are taken out, %v", outOf(), err)
	}
	if err := db.ReturnCut(ctx, part); err != nil || outOf() != 1 {
		t.Errorf("with it again %d, %v", outOf(), err)
	}
	if err := db.RemoveCut(ctx, "gone"); !errors.Is(err, store.ErrNotFound) {
		t.Errorf("removing what is not there: %v", err)
	}
	if _, err := db.LayPhoto(ctx, strings.Repeat("f", 64), "Gone"); !errors.Is(err, store.ErrNotFound) {
		t.Errorf("a photo that is not stored: %v", err)
	}
}

func TestPhotosOnTheBenchAreNotTidiedAway(t *testing.T) {
	ctx := t.Context()
	photo := pictureProp(t, db, "Spoon", "30", 40, 30)
	id, err := db.LayPhoto(ctx, photo.Hash, photo.Name)
	if err != nil {
		t.Fatal(err)
	}
	stored := func() bool {
		t.Helper()
		if _, err := db.Pool.Exec(ctx, `UPDATE files SET needed = now() - interval '90 days' WHERE hash = $1`, photo.Hash); err != nil {
			t.Fatal(err)
		}
		if _, err := db.Tidy(ctx, store.Keeping, false); err != nil {
			t.Fatal(err)
		}
		_, err := db.OpenFile(ctx, photo.Hash)
		return err == nil
	}
	if !stored() {
		t.Error("its file is gone while it lies there")
	}
	if err := db.RemoveCut(ctx, id); err != nil {
		t.Fatal(err)
	}
	if !stored() {
		t.Error("its file is gone as soon as it was taken off")
	}
	if _, err := db.Pool.Exec(ctx, `UPDATE cuts SET removed = now() - $2::interval WHERE id = $1`, id, store.Keeping+time.Hour); err != nil {
		t.Fatal(err)
	}
	if stored() {
		t.Error("its file stays long after it was taken off")
	}
}
