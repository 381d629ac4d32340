package store_test

import (
	"encoding/json"
	"errors"
	"strings"
	"testing"

	"billow/core/clip"
	"billow/store"
)

// shelved is what the shelf says of a file.
func shelved(t *testing.T, db *store.Store, hash string) (there bool, clips string) {
	t.Helper()
	list, err := db.Props(t.Context())
	if err != nil {
		t.Fatal(err)
	}
	for _, s := range list {
		var p clip.Prop
		if err := json.Unmarshal(s.Prop, &p); err != nil {
			t.Fatal(err)
		}
		if p.Hash == hash {
			names := []string{}
			for _, u := range s.Clips {
				names = append(names, u.Name)
			}
			return true, strings.Join(names, ", ")
		}
	}
	return false, ""
}

func TestTheShelfKnowsWhereAPropIsUsed(t *testing.T) {
	ctx := t.Context()
	p := clip.Prop{ID: "cup", Name: "Cup", Kind: clip.KindCutout, Hash: strings.Repeat("e", 63) + "1", Media: "image/png",
		Picture: &clip.Picture{W: 10, H: 10, Visible: [4]int{0, 0, 10, 10}}}
	if err := db.Keep(ctx, p, strings.NewReader("picture"), nil); err != nil {
		t.Fatal(err)
	}
	if copy, err := db.Coarse(ctx, p.Hash); err != nil || copy != nil {
		t.Errorf("without a coarse copy: %q %v", copy, err)
	}
	if err := db.Keep(ctx, p, strings.NewReader("picture"), []byte("coarse")); err != nil {
		t.Fatal(err)
	}
	if copy, err := db.Coarse(ctx, p.Hash); err != nil || string(copy) != "coarse" {
		t.Errorf("with a coarse copy: %q %v", copy, err)
	}
	if there, clips := shelved(t, db, p.Hash); !there || clips != "" {
		t.Errorf("right after it was brought in: there %t, in %q", there, clips)
	}
	tall, _ := clip.StandardShape("tall")
	c := clip.New("Cups", tall, 30, 90)
	c.Props = []clip.Prop{p}
	unused, id := *c, store.NewID()
	unused.Name = "No cups"
	if err := db.CreateClip(ctx, store.NewID(), &unused, "New"); err != nil {
		t.Fatal(err)
	}
	l := clip.Draft(c, clip.KindCutout, "Cup", "cup", "")
	l.Group = "scene"
	c.Layers = append(c.Layers, l)
	if err := db.CreateClip(ctx, id, c, "New"); err != nil {
		t.Fatal(err)
	}
	if _, clips := shelved(t, db, p.Hash); clips != "Cups" {
		t.Errorf("it is used in %q", clips)
	}
	// What an older Billow wrote does not tell what is used.
	if _, err := db.Pool.Exec(ctx, `UPDATE clips SET summary = (summary::jsonb - 'files')::json WHERE id = $1`, id); err != nil {
		t.Fatal(err)
	}
	if _, clips := shelved(t, db, p.Hash); clips != "Cups" {
		t.Errorf("by what it has ever needed, it is used in %q", clips)
	}
	if err := db.DeleteClip(ctx, id); err != nil {
		t.Fatal(err)
	}
	if _, clips := shelved(t, db, p.Hash); clips != "" {
		t.Errorf("with its clip deleted it is used in %q", clips)
	}
	if err := db.RemoveProp(ctx, p.Hash); err != nil {
		t.Fatal(err)
	}
	if there, _ := shelved(t, db, p.Hash); there {
		t.Error("removed, it is still there")
	}
	if err := db.ReturnProp(ctx, p.Hash); err != nil {
		t.Fatal(err)
	}
	if there, _ := shelved(t, db, p.Hash); !there {
		t.Error("returned, it is not there")
	}
	// Who made it is said once, and stays known when the file is brought in again.
	credit := func() string {
		list, err := db.Props(ctx)
		if err != nil {
			t.Fatal(err)
		}
		for _, s := range list {
			var q clip.Prop
			if err := json.Unmarshal(s.Prop, &q); err != nil {
				t.Fatal(err)
			}
			if q.Hash == p.Hash {
				return q.Credit
			}
		}
		return ""
	}
	if err := db.CreditProp(ctx, p.Hash, "Cups by Nonna Bell"); err != nil {
		t.Fatal(err)
	}
	if p.Credit = ""; db.PutProp(ctx, p) != nil || credit() != "Cups by Nonna Bell" {
		t.Errorf("brought in again, it is by %q", credit())
	}
	if p.Credit = "Cups by Otto"; db.PutProp(ctx, p) != nil || credit() != p.Credit {
		t.Errorf("with another credit it is by %q", credit())
	}
	if err := db.CreditProp(ctx, "nothing", "Nobody"); !errors.Is(err, store.ErrNotFound) {
		t.Errorf("crediting what is not there gives %v", err)
	}
}

func TestADeletedClipCanBeTakenBack(t *testing.T) {
	ctx := t.Context()
	tall, _ := clip.StandardShape("tall")
	id := store.NewID()
	if err := db.CreateClip(ctx, id, clip.New("Going to be missed", tall, 30, 90), "New"); err != nil {
		t.Fatal(err)
	}
	count := func(deleted bool) int {
		_, n, err := db.Clips(ctx, store.ClipQuery{Search: "to be missed", Sort: "changed", Limit: 10, Deleted: deleted})
		if err != nil {
			t.Fatal(err)
		}
		return n
	}
	if err := db.DeleteClip(ctx, id); err != nil {
		t.Fatal(err)
	}
	if _, err := db.State(ctx, id); err == nil || count(false) != 0 || count(true) != 1 {
		t.Errorf("deleted, it can be opened (%v) or is listed", err)
	}
	if err := db.ReturnClip(ctx, id); err != nil {
		t.Fatal(err)
	}
	if _, err := db.State(ctx, id); err != nil || count(false) != 1 || count(true) != 0 {
		t.Errorf("taken back, it cannot be opened (%v) or is not listed", err)
	}
}

// Every product is offered once, as it was last.
func TestProductsOfClipsAreOfferedToOthers(t *testing.T) {
	ctx := t.Context()
	tall, _ := clip.StandardShape("tall")
	for _, price := range []string{"9.00", "8.00"} {
		c := clip.New("Plates", tall, 30, 90)
		c.Products = []clip.Product{{ID: "plate", Name: "Tin plate", Price: price, Currency: "EUR"}}
		if err := db.CreateClip(ctx, store.NewID(), c, "New"); err != nil {
			t.Fatal(err)
		}
	}
	list, err := db.Offered(ctx)
	if err != nil {
		t.Fatal(err)
	}
	prices := ""
	for _, o := range list {
		if o.Product.Name == "Tin plate" {
			prices += o.Product.Price + " "
		}
	}
	if prices != "8.00 " {
		t.Errorf("the plate is offered for %q", prices)
	}
}
