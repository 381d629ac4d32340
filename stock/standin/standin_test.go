package standin

import (
	"bytes"
	"context"
	"errors"
	"image"
	_ "image/jpeg"
	"io"
	"net/http"
	"net/http/httptest"
	"strings"
	"testing"

	"billow/core/clip"
	"billow/core/colour"
	"billow/media"
	"billow/stock"

	_ "golang.org/x/image/webp"
)

// shelf is the stand-in at an address, and what asks it.
func shelf(t *testing.T) (*Shelf, *stock.Remote) {
	t.Helper()
	s := New()
	at := httptest.NewServer(s)
	t.Cleanup(at.Close)
	return s, stock.NewRemote(at.URL + "/")
}

// There is enough of each kind, and all of it is what it says it is.
func TestTheShelfHoldsWhatItLists(t *testing.T) {
	s, r := shelf(t)
	least := map[string]int{stock.Backdrop: 20, stock.Texture: 12, stock.Footage: 8, stock.Garnish: 20, stock.Tune: 3, stock.Sound: 6}
	var bytesOfAll int64
	seen := map[string]bool{}
	for _, thing := range s.Things() {
		if seen[thing.ID] || thing.Author == "" || thing.Licence == "" || len(thing.Tags) == 0 {
			t.Errorf("%+v", thing)
		}
		seen[thing.ID] = true
		least[thing.Kind]--
		bytesOfAll += thing.Bytes
		_, file, err := r.Take(t.Context(), thing.ID, thing.Price)
		if err != nil {
			t.Fatal(thing.ID, err)
		}
		b, err := io.ReadAll(file)
		file.Close()
		if err != nil || int64(len(b)) != thing.Bytes {
			t.Fatalf("%s has %d bytes, not %d: %v", thing.ID, len(b), thing.Bytes, err)
		}
		switch thing.Kind {
		case stock.Backdrop, stock.Texture, stock.Garnish:
			c, _, err := image.DecodeConfig(bytes.NewReader(b))
			if err != nil || c.Width != thing.W || c.Height != thing.H || min(c.Width, c.Height) < 800 {
				t.Errorf("%s is a picture of %dx%d: %v", thing.ID, c.Width, c.Height, err)
			}
		default:
			spool, err := media.NewSpool(bytes.NewReader(b), 64<<20)
			if err != nil {
				t.Fatal(err)
			}
			what, _ := media.Kind(spool.Head())
			if want := map[bool]string{true: clip.KindFootage, false: clip.KindTune}[thing.Kind == stock.Footage]; what != want {
				t.Errorf("%s is %q, not %q", thing.ID, what, want)
			}
			spool.Close()
		}
		preview, kind, err := r.Preview(t.Context(), thing.ID)
		if err != nil {
			t.Fatal(thing.ID, err)
		}
		preview.Close()
		if heard := strings.HasPrefix(kind, "audio/"); heard != (thing.Kind == stock.Tune || thing.Kind == stock.Sound) {
			t.Errorf("the preview of %s is %s", thing.ID, kind)
		}
	}
	for kind, n := range least {
		if n > 0 {
			t.Errorf("%d more of %s are needed", n, kind)
		}
	}
	if len(seen) < 70 || bytesOfAll > 25<<20 {
		t.Errorf("there are %d things of %d MB", len(seen), bytesOfAll>>20)
	}
}

func TestSearching(t *testing.T) {
	s, r := shelf(t)
	find := func(q stock.Query) stock.Page {
		t.Helper()
		p, err := r.Search(t.Context(), q)
		if err != nil {
			t.Fatal(err)
		}
		return p
	}
	all := find(stock.Query{})
	if all.Total != len(s.Things()) || len(all.Things) != stock.PageSize || all.Pages != (all.Total+stock.PageSize-1)/stock.PageSize {
		t.Errorf("of %d things %d are on the first of %d pages", all.Total, len(all.Things), all.Pages)
	}
	seen := map[string]bool{}
	for n := range all.Pages {
		for _, thing := range find(stock.Query{Page: n}).Things {
			seen[thing.ID] = true
		}
	}
	if len(seen) != all.Total {
		t.Errorf("on all pages are %d of %d", len(seen), all.Total)
	}
	if p := find(stock.Query{Page: 99}); len(p.Things) != 0 || p.Total != all.Total {
		t.Errorf("behind the end there are %d", len(p.Things))
	}
	for _, thing := range find(stock.Query{Words: "PAPER brown", Kind: stock.Texture}).Things {
		if thing.Kind != stock.Texture || !strings.Contains(strings.ToLower(thing.Name+strings.Join(thing.Tags, " ")), "paper") {
			t.Errorf("brown paper is %+v", thing)
		}
	}
	if p := find(stock.Query{Words: "paper brown", Kind: stock.Texture}); p.Total == 0 {
		t.Error("there is no brown paper")
	}
	if p := find(stock.Query{Words: "unfindable"}); p.Total != 0 || p.Things == nil {
		t.Errorf("what there is not is %+v", p)
	}
	teal := colour.RGB(0x2F9C95)
	p := find(stock.Query{Colour: &teal})
	if p.Total < 3 || p.Total > all.Total/2 {
		t.Errorf("%d things are teal", p.Total)
	}
	for i := 1; i < len(p.Things); i++ {
		if p.Things[i].Near(teal) < p.Things[i-1].Near(teal) {
			t.Error("what is nearer comes later")
		}
	}
}

func TestAShelfThatFails(t *testing.T) {
	s, r := shelf(t)
	take := func(price string) error {
		_, file, err := r.Take(t.Context(), "city-lights", price)
		if err == nil {
			defer file.Close()
			_, err = io.Copy(io.Discard, file)
		}
		return err
	}
	if err := take("3.00"); err != nil {
		t.Fatal(err)
	}
	if err := take(""); !errors.Is(err, stock.ErrPrice) {
		t.Errorf("for nothing it is had: %v", err)
	}
	s.Have(Trouble{Price: func(stock.Thing) string { return "9.00" }})
	if err := take("3.00"); !errors.Is(err, stock.ErrPrice) {
		t.Errorf("at the old price it is had: %v", err)
	}
	s.Have(Trouble{})
	if _, err := r.Thing(t.Context(), "nothing"); !errors.Is(err, stock.ErrGone) {
		t.Errorf("what there is not says %v", err)
	}
	for _, status := range []int{500, 503, 403, Cut} {
		s.Have(Trouble{Fail: func(q *http.Request) int {
			if q.Method == http.MethodPost {
				return status
			}
			return 0
		}})
		if err := take("3.00"); !errors.Is(err, stock.ErrUnreachable) {
			t.Errorf("with %d it says %v", status, err)
		}
	}
	ctx, cancel := context.WithCancel(t.Context())
	s.Have(Trouble{Fail: func(*http.Request) int { cancel(); return 0 }})
	if _, err := r.Search(ctx, stock.Query{}); err != nil && !errors.Is(err, context.Canceled) {
		t.Errorf("given up it says %v", err)
	}
	gone := stock.NewRemote("http://127.0.0.1:1")
	if _, err := gone.Search(t.Context(), stock.Query{}); !errors.Is(err, stock.ErrUnreachable) {
		t.Errorf("without a shelf it says %v", err)
	}
}
