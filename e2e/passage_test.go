package e2e

import (
	"testing"

	"billow/core/clip"
)

// marks is how many pixels of a frame are not the white backdrop.
func (f film) marks(n int) (count int) {
	for i := 0; i < len(f.frames[n]); i += 3 {
		if f.frames[n][i+1] < 160 {
			count++
		}
	}
	return count
}

// Words come letter by letter behind a caret and go from behind their own edge: chosen from
// the panel, where the pointer's rest shows them, and seen on exported frames.
func TestWordsComeAndGo(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("Words that come", "3s")
	u.add("Headline")
	u.text(".row-line.selected .name", "^Headline")
	u.wait("the ways are offered", "document.querySelectorAll('[aria-label=\"How they come\"] [data-way]').length === 16")

	u.must("pointing", u.find("[aria-label='How they come'] [data-way=typed]").Hover())
	u.wait("the words come in the picture", "document.querySelector('.tabletop canvas').dataset.glimpse > 3")
	if stored := u.stored(); stored.Layers[len(stored.Layers)-1].Words.Comes != nil {
		t.Error("what is only looked at is kept")
	}
	u.click("[aria-label='How they come'] [data-way=tumble]")
	u.saved()
	u.click("[aria-label='How they come'] [data-way=typed]")
	u.saved() // its settings make room for themselves
	u.click("[aria-label='How they go'] [data-way=rise]")
	u.waitStored("they come and go", func(c *clip.Clip) bool {
		for _, l := range c.Layers {
			if l.Words != nil && l.Words.Comes != nil && l.Words.Goes != nil {
				return l.Words.Comes.By == "letter" && l.Words.Comes.Caret && l.Words.Comes.Afar.Turn == 0 && l.Words.Goes.Edge == "below"
			}
		}
		return false
	})
	f := u.film()
	whole := f.marks(60)
	if whole < 1000 {
		t.Fatalf("the words have %d pixels", whole)
	}
	// One bright line: 13 letters, of which one comes every two frames.
	last := 0
	for _, n := range []int{1, 5, 9, 13, 17, 21} {
		now := f.marks(n)
		if now <= last || now >= whole+200 {
			t.Errorf("on frame %d there are %d pixels of words, before %d, in the end %d", n, now, last, whole)
		}
		last = now
	}
	if early := f.marks(1); early > whole/4 {
		t.Errorf("at the beginning there are %d pixels of %d", early, whole)
	}
	if half := f.marks(82); half == 0 || half >= whole {
		t.Errorf("as they go there are %d pixels of %d", half, whole)
	}
	if left := f.marks(len(f.frames) - 1); left > whole/20 {
		t.Errorf("at the end %d pixels are left", left)
	}
}
