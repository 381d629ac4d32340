package e2e

import (
	"fmt"
	"image/color"
	"slices"
	"testing"

	"billow/core/clip"
)

// strikes is the frames of the clear hits of the clip's tune, as they were heard, worked out from its seconds.
func strikes(c *clip.Clip, least float64) (out []int) {
	s := c.Prop(c.Tune().Prop).Sound
	for _, h := range s.Hits {
		if f := c.Rate.Frame(h.At - c.Tune().Trim); h.Strength >= least && f >= 0 && f < c.Length && h.Kind != "rise" {
			out = append(out, f)
		}
	}
	return out
}

// TestWhatHappensOnHitsIsSeenOnThem lays a tune, lets a block swell and a card exchange colours with the backdrop on its
// hits, changes the strength from which on they count, and lays another tune: on exported frames each is on its hit.
func TestWhatHappensOnHitsIsSeenOnThem(t *testing.T) {
	shelved(t, "Harbour morning")
	u := visit(t, "/")
	u.emptyClip("On hits", "3s")
	u.bring(propFile(t, "tin-parade", "tune.wav"))
	u.waitStored("the tune", func(c *clip.Clip) bool { return c.Tune() != nil && c.Tempo.BPM > 120 })
	u.block("red", redPaint)
	u.field("Size", "400")
	u.move("hits")
	least := func(percent int) {
		t.Helper()
		u.eval(fmt.Sprintf(`(() => {
			const el = document.querySelector('.hits input[type=range]')
			el.value = %g
			el.dispatchEvent(new Event('input', { bubbles: true }))
			el.dispatchEvent(new Event('change', { bubbles: true }))
		})()`, float64(percent)/100))
		u.waitStored("the strength counts", func(c *clip.Clip) bool {
			m := layerNamed(c, "red").Moves
			return len(m) == 1 && int(100*m[0].Hits.Least+0.5) == percent
		})
	}
	// grown is the frames on which the block is larger than at rest.
	grown := func(f film) (out []int) {
		wide := make([]int, len(f.frames))
		for n := range f.frames {
			if x0, _, x1, _, ok := f.box(n, redPaint); ok {
				wide[n] = x1 - x0
			}
		}
		rest := slices.Min(wide)
		for n, w := range wide {
			if 100*w >= 109*rest { // an eighth larger at most
				out = append(out, n)
			}
		}
		return out
	}
	least(80)
	u.text(".hits .count", "[0-9]+ hits? of the tune")
	u.finds("hits")
	onThem := func(what string, least float64) []int {
		t.Helper()
		c := u.stored()
		got := grown(u.film())
		want := strikes(c, least)
		if len(want) < 2 {
			t.Fatalf("%s: the tune has the hits %v", what, want)
		}
		for _, f := range got {
			if !slices.ContainsFunc(want, func(w int) bool { return abs(w-f) <= 2 }) {
				t.Errorf("%s: on frame %d the block has swelled, hits are on %v", what, f, want)
			}
		}
		missed := 0
		for i, w := range want {
			if i > 0 && w-want[i-1] < 7 { // too near to the one before
				continue
			}
			if w < 85 && !slices.ContainsFunc(got, func(f int) bool { return abs(w-f) <= 1 }) {
				missed++
			}
		}
		if missed > 0 {
			t.Errorf("%s: %d of the hits on %v have no swell; it is seen on %v", what, missed, want, got)
		}
		return got
	}
	few := onThem("strong hits", 0.8)
	least(45)
	if many := onThem("with a lower threshold", 0.45); len(many) <= len(few) {
		t.Errorf("with a lower threshold it swells on %v, before on %v", many, few)
	}
	least(80)
	// Another tune, at another tempo: the clip goes with it.
	u.soundView()
	u.lay("Harbour morning", "The clip follows the music")
	u.waitStored("another tempo", func(c *clip.Clip) bool { return c.Tempo.BPM < 101 })
	u.clickText(".views a", "^Tabletop$")
	u.ready()
	onThem("another tune", 0.8)
}

func layerNamed(c *clip.Clip, name string) *clip.Layer {
	for i := range c.Layers {
		if c.Layers[i].Name == name {
			return &c.Layers[i]
		}
	}
	return &clip.Layer{}
}

// TestColoursAreExchangedOnHits lets a figure and the backdrop exchange their colours on strong hits.
func TestColoursAreExchangedOnHits(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("Exchanged", "2s")
	u.bring(propFile(t, "tin-parade", "tune.wav"))
	u.waitStored("the tune", func(c *clip.Clip) bool { return c.Tune() != nil })
	u.figure("Ring", "dot")
	u.move("hits")
	u.choose("select[aria-label='Do this']", "exchange")
	u.waitStored("it exchanges", func(c *clip.Clip) bool {
		m := layerNamed(c, "dot").Moves
		return len(m) == 1 && m[0].Hits.Does == clip.HitExchange
	})
	u.choose("select[aria-label='Colours']", "backdrop")
	c := u.stored()
	hits := strikes(c, 0.5)
	f := u.film()
	corner := func(n int) bool { return like(f.at(n, 10, 10), honeyPaint) }
	seen := 0
	for n := range f.frames {
		near := slices.ContainsFunc(hits, func(h int) bool { return n >= h-1 && n <= h+5 })
		if corner(n) {
			seen++
			if !near {
				t.Errorf("on frame %d the backdrop has the figure's colour; hits are on %v", n, hits)
			}
		}
	}
	if seen < 4 {
		t.Errorf("the backdrop has the figure's colour on %d frames; hits are on %v", seen, hits)
	}
}

// TestALineupGoesOnWithHits lets three products change on strong hits of the tune: on exported frames the next stands
// in the middle from each hit on.
func TestALineupGoesOnWithHits(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("Line-up on hits", "6s")
	u.bring(propFile(t, "tin-parade", "tune.wav"))
	u.waitStored("the tune", func(c *clip.Clip) bool { return c.Tune() != nil && c.Tempo.BPM > 120 })
	u.three(false)
	u.chooseAll("Red", "Green", "Blue")
	u.clickText("button", "Line-up$")
	u.text("h2", "^Line-up$")
	u.choose("select[aria-label='Counted in']", "hits")
	u.text(".choice .least", "80%")
	u.waitStored("it goes by hits", func(c *clip.Clip) bool {
		return slices.ContainsFunc(c.Layers, func(l clip.Layer) bool { return l.Lineup != nil && l.Lineup.On != nil })
	})
	f := u.film()
	hits := strikes(u.stored(), 0.8)
	last := -1
	for _, paint := range []color.NRGBA{greenPaint, bluePaint} {
		arrived := -1
		for n := range f.frames {
			if x0, _, x1, _, ok := f.box(n, paint); ok && abs(x1-x0-240) <= 3 {
				arrived = n
				break
			}
		}
		if !slices.ContainsFunc(hits, func(h int) bool { return abs(h-arrived) <= 1 }) || arrived <= last {
			t.Errorf("%v has arrived on frame %d; strong hits are on %v", paint, arrived, hits)
		}
		last = arrived
	}
	u.finds("a line-up on hits")
}
