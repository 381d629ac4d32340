package store_test

import (
	"fmt"
	"strings"
	"testing"

	"billow/core/clip"
	"billow/store"
)

// Lists are searched, sorted and read page by page.
func TestClipsAreListedAsAsked(t *testing.T) {
	ctx := t.Context()
	tall, _ := clip.StandardShape("tall")
	mark := store.NewID()[:8] // others use this database, too
	for i, name := range []string{"b % kettle", "A_kettle", "c Kettle", "d lantern"} {
		c := clip.New(mark+" "+name, tall, 30, 60*(i+1))
		if i == 0 {
			c = clip.New(mark+" "+name, tall, 60, 600) // ten seconds, the longest
		}
		if err := db.CreateClip(ctx, fmt.Sprintf("%s-%d", mark, i), c, "Made"); err != nil {
			t.Fatal(err)
		}
	}
	list := func(q store.ClipQuery) string {
		t.Helper()
		rows, total, err := db.Clips(ctx, q)
		if err != nil {
			t.Fatal(err)
		}
		var out []string
		for _, r := range rows {
			out = append(out, strings.TrimPrefix(r.Name, mark+" "))
		}
		return fmt.Sprint(total, " ", strings.Join(out, ", "))
	}
	for _, c := range []struct {
		q    store.ClipQuery
		want string
	}{
		{store.ClipQuery{Search: mark, Sort: "name", Limit: 10}, "4 A_kettle, b % kettle, c Kettle, d lantern"},
		{store.ClipQuery{Search: mark, Sort: "changed", Limit: 2}, "4 d lantern, c Kettle"},
		{store.ClipQuery{Search: mark, Sort: "changed", Limit: 2, Offset: 2}, "4 A_kettle, b % kettle"},
		{store.ClipQuery{Search: mark, Sort: "length", Limit: 10}, "4 b % kettle, d lantern, c Kettle, A_kettle"},
		{store.ClipQuery{Search: mark + " B %", Sort: "name", Limit: 10}, "1 b % kettle"},
		{store.ClipQuery{Search: mark + " A_KET", Sort: "name", Limit: 10}, "1 A_kettle"},
		{store.ClipQuery{Search: mark + " nothing", Sort: "name", Limit: 10}, "0 "},
	} {
		if got := list(c.q); got != c.want {
			t.Errorf("%+v lists %s, want %s", c.q, got, c.want)
		}
	}
}
