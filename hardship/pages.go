package hardship

import (
	"context"
	"errors"
	"fmt"
	"math/rand/v2"
	"net/url"
	"time"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/edit"
	"billow/e2e"

	"github.com/go-rod/rod"
)

// Pages is what became of three pages that edited one clip over connections
// that were cut.
type Pages struct {
	Commands   int // that the pages made
	PageCuts   int
	StoreCuts  int
	Reloads    int
	Lost       int // commands that are not in the history
	Twice      int // that are there more than once
	Wrong      int // layers that are not where the commands put them
	OutOfPlace string
}

// A page takes its time: after this long without getting anywhere, something
// hangs.
const patience = 2 * time.Minute

// EditFromThreePages lets three real pages make commands on one clip while the
// connections between them, the server and the database are cut before, during
// and after commits. Some pages are loaded anew with commands that were not
// sent. Where everything must end up is known from what the pages did.
func EditFromThreePages(commands int, seed uint64) (r Pages, err error) {
	var database *Proxy
	site, err := e2e.NewSiteBehind(0, func(address string) (string, error) {
		u, err := url.Parse(address)
		if err != nil {
			return "", err
		}
		if database, err = NewProxy(u.Host, seed); err != nil {
			return "", err
		}
		u.Host = database.Addr
		return u.String(), nil
	})
	if err != nil {
		return r, err
	}
	defer site.Close()
	defer database.Close()
	u, err := url.Parse(site.URL)
	if err != nil {
		return r, err
	}
	page, err := NewProxy(u.Host, seed+1)
	if err != nil {
		return r, err
	}
	defer page.Close()
	if err := threeCards(site); err != nil {
		return r, err
	}
	browser, end, err := e2e.Chromium(1024, 700)
	if err != nil {
		return r, err
	}
	defer end()
	t := &threePages{site: site, browser: browser, address: "http://" + page.Addr + "/clips/shared", page: page, database: database,
		dice: rand.New(rand.NewPCG(seed, 2))}
	err = t.edit(commands, &r)
	r.PageCuts, r.StoreCuts = int(page.Cuts.Load()), int(database.Cuts.Load())
	return r, err
}

// threeCards stores a clip with a card that all move and one for each page.
func threeCards(site *e2e.Site) error {
	tall, _ := clip.StandardShape("tall")
	c := clip.New("Shared", tall, 30, 120)
	for _, id := range []string{"shared", "own-0", "own-1", "own-2"} {
		l := clip.Draft(c, clip.KindCard, id, "", "")
		l.ID, l.Rest.X, l.Lift, l.Card.Fill = id, 0, 0, colour.RGB(0xDD4F28)
		c.Layers = append(c.Layers, l)
	}
	return site.Store.CreateClip(context.Background(), "shared", c, "New clip")
}

type threePages struct {
	site           *e2e.Site
	browser        *rod.Browser
	address        string
	page, database *Proxy
	dice           *rand.Rand
	pages          [3]*rod.Page
	done           [3]int
}

// edit lets the pages make their commands in turns.
func (t *threePages) edit(commands int, r *Pages) error {
	for i := range t.pages {
		if err := t.open(i); err != nil {
			return err
		}
	}
	const turn = 10
	for r.Commands < commands {
		i := t.dice.IntN(3)
		t.page.Risk(30)
		t.database.Risk(6)
		if err := t.make(i, turn); err != nil {
			return err
		}
		r.Commands += 2 * turn
		if t.dice.IntN(15) == 0 {
			r.Reloads++
			if err := t.open(i); err != nil {
				return err
			}
		}
	}
	t.page.Risk(0)
	t.database.Risk(0)
	for i := range t.pages {
		if err := t.until(i, `window.billowEditor.outbox.waiting.value === 0`); err != nil {
			return fmt.Errorf("page %d never sent everything: %w", i, err)
		}
	}
	return t.check(r)
}

// open loads a page, with whatever the one before it has left behind. While it
// loads, nothing is cut: a page that does not load edits nothing.
func (t *threePages) open(i int) error {
	t.page.Risk(0)
	t.database.Risk(0)
	if t.pages[i] != nil {
		if err := t.pages[i].Close(); err != nil {
			return err
		}
	}
	p, err := e2e.Open(t.browser, t.address, 1024, 700)
	if err != nil {
		return err
	}
	t.pages[i] = p
	return t.until(i, `document.querySelector('.tabletop canvas')?.dataset.frame !== undefined`)
}

// make lets a page push the shared card n times by one unit, and say each time
// how often it did on a card of its own.
func (t *threePages) make(i, n int) error {
	_, err := t.pages[i].Timeout(patience).Eval(`async (own, from, n) => {
		const e = window.billowEditor
		for (let k = 1; k <= n; k++) {
			await e.run({ type: 'handle', layer: 'shared', shape: 'tall', frame: 0, target: 'rest', dx: 1 })
			await e.run({ type: 'setRest', layer: own, shape: 'tall', set: { x: from + k } })
			// Often sent at once, often several together.
			if (Math.random() < 0.5) await e.outbox.flush()
		}
	}`, fmt.Sprintf("own-%d", i), t.done[i], n)
	t.done[i] += n
	return err
}

func (t *threePages) until(i int, js string) error {
	return t.pages[i].Timeout(patience).Wait(rod.Eval("() => !!(" + js + ")"))
}

// check counts what is missing, double or misplaced.
func (t *threePages) check(r *Pages) error {
	ctx := context.Background()
	st, err := t.site.Store.State(ctx, "shared")
	if err != nil {
		return err
	}
	want := map[string]int{"shared": t.done[0] + t.done[1] + t.done[2]}
	for i, n := range t.done {
		want[fmt.Sprintf("own-%d", i)] = n
	}
	for id, x := range want {
		if got := st.Clip.Layer(id).Rest.X; got != float64(x) {
			r.Wrong++
			r.OutOfPlace += fmt.Sprintf("%s lies at %g instead of %d; ", id, got, x)
		}
	}
	made := st.Revision - 1
	r.Lost, r.Twice = max(r.Commands-made, 0), max(made-r.Commands, 0)
	return errors.Join(t.replayed(ctx, st.Revision, string(st.Clip.Encode())), t.agree(string(st.Clip.Encode())))
}

// replayed holds that the commands of the history give the clip that is stored.
func (t *threePages) replayed(ctx context.Context, revision int, want string) error {
	st, err := t.site.Store.StateAt(ctx, "shared", 1)
	if err != nil {
		return err
	}
	c := st.Clip
	for after := 1; after < revision; after += 100 {
		out, err := t.site.Store.Between(ctx, "shared", after, min(after+100, revision))
		if err != nil {
			return err
		}
		for _, row := range out {
			if c, err = edit.Apply(c, row.Command); err != nil {
				return fmt.Errorf("revision %d cannot be made again: %w", row.Revision, err)
			}
		}
	}
	if string(c.Encode()) != want {
		return errors.New("the commands of the history do not give the clip that is stored")
	}
	return nil
}

// agree holds that all pages show the clip that is stored.
func (t *threePages) agree(want string) error {
	for i, p := range t.pages {
		if _, err := p.Activate(); err != nil {
			return err
		}
		// The page's order of fields is the document's.
		if err := t.pages[i].Timeout(patience).Wait(rod.Eval(`(want) => JSON.stringify(window.billowEditor.clip) === JSON.stringify(JSON.parse(want))`, want)); err != nil {
			return fmt.Errorf("page %d shows another clip than the server has: %w", i, err)
		}
	}
	return nil
}
