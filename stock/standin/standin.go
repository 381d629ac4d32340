// Package standin is a stock shelf that ships with Billow and answers as a service far away would: over
// HTTP, after a while, and not always, where it is told so. Its things are made by code (go generate).
package standin

import (
	"embed"
	"encoding/json"
	"io"
	"mime"
	"net/http"
	"path"
	"slices"
	"strconv"
	"strings"
	"sync/atomic"
	"time"

	"billow/core/colour"
	"billow/demo/film"
	"billow/stock"
)

//go:generate go run billow/stock/standin/make

//go:embed things
var files embed.FS

// Trouble is in what ways the shelf is not at its best.
type Trouble struct {
	Delay time.Duration              // before each answer
	Fail  func(r *http.Request) int  // a status instead of an answer; 0 answers, Cut ends a file in its middle
	Price func(t stock.Thing) string // another price than that in the list
}

// Shelf is the service.
type Shelf struct {
	list    []stock.Thing
	trouble atomic.Pointer[Trouble]
}

// Have lets the shelf have trouble, or none, from now on.
func (s *Shelf) Have(t Trouble) { s.trouble.Store(&t) }

// Cut lets a file end in its middle.
const Cut = -1

// New is the shelf with all that it has.
func New() *Shelf {
	s := &Shelf{}
	s.Have(Trouble{})
	b, err := files.ReadFile("things/things.json")
	if err == nil {
		err = json.Unmarshal(b, &s.list)
	}
	if err != nil {
		panic(err) // it is embedded
	}
	return s
}

// Things are all that it has.
func (s *Shelf) Things() []stock.Thing { return slices.Clone(s.list) }

// File is a thing by its ID, and its file.
func File(id string) (t stock.Thing, file []byte, ok bool) {
	for _, t := range New().list {
		if t.ID == id {
			b := fileNamed(t.File)
			return t, b, b != nil
		}
	}
	return t, nil, false
}

// fileNamed is a file; nil is none. Those of the sample world's footage are kept there.
func fileNamed(name string) []byte {
	if b, err := files.ReadFile("things/" + name); err == nil {
		return b
	}
	for _, p := range film.Pieces {
		if p.ID+".mov" == name {
			return p.File()
		}
	}
	return nil
}

// ServeHTTP answers as docs/stock.md says.
func (s *Shelf) ServeHTTP(w http.ResponseWriter, r *http.Request) {
	trouble := *s.trouble.Load()
	if trouble.Delay > 0 {
		select {
		case <-time.After(trouble.Delay):
		case <-r.Context().Done():
			return
		}
	}
	status := 0
	if trouble.Fail != nil {
		status = trouble.Fail(r)
	}
	if status > 0 {
		http.Error(w, "not now", status)
		return
	}
	parts := strings.Split(strings.Trim(r.URL.Path, "/"), "/")
	if parts[0] != "things" || len(parts) > 3 {
		http.NotFound(w, r)
		return
	}
	if len(parts) == 1 {
		answer(w, s.found(r))
		return
	}
	at := slices.IndexFunc(s.list, func(t stock.Thing) bool { return t.ID == parts[1] })
	if at < 0 {
		http.NotFound(w, r)
		return
	}
	t := s.priced(s.list[at])
	switch {
	case len(parts) == 2:
		answer(w, t)
	case parts[2] == "preview" && t.Preview != "":
		s.send(w, t.Preview, false)
	case parts[2] == "preview":
		s.send(w, t.File, false)
	case parts[2] == "take" && r.Method == http.MethodPost:
		s.take(w, r, t, status == Cut)
	default:
		http.NotFound(w, r)
	}
}

func (s *Shelf) priced(t stock.Thing) stock.Thing {
	if price := s.trouble.Load().Price; price != nil {
		t.Price = price(t)
	}
	return t
}

func (s *Shelf) take(w http.ResponseWriter, r *http.Request, t stock.Thing, cut bool) {
	var agreed struct{ Price string }
	if json.NewDecoder(io.LimitReader(r.Body, 1<<10)).Decode(&agreed) != nil || agreed.Price != t.Price {
		http.Error(w, "the price is another", http.StatusConflict)
		return
	}
	s.send(w, t.File, cut)
}

// send sends a file, or half of it.
func (s *Shelf) send(w http.ResponseWriter, name string, cut bool) {
	b := fileNamed(name)
	if b == nil {
		http.Error(w, "it is lost", http.StatusGone)
		return
	}
	kind := mime.TypeByExtension(path.Ext(name))
	if path.Ext(name) == ".ogg" {
		kind = "audio/ogg"
	}
	w.Header().Set("Content-Type", kind)
	if cut {
		w.Header().Set("Content-Length", strconv.Itoa(len(b)))
		b = b[:len(b)/2]
	}
	w.Write(b)
}

func answer(w http.ResponseWriter, v any) {
	w.Header().Set("Content-Type", "application/json")
	json.NewEncoder(w).Encode(v)
}

// alike is how far colours may be from what is asked for, squared, in Oklab.
const alike = 0.018

// found is the page that is asked for: what has a colour most comes first.
func (s *Shelf) found(r *http.Request) stock.Page {
	q := r.URL.Query()
	var list []stock.Thing
	words := strings.Fields(strings.ToLower(q.Get("words")))
	wanted, err := colour.Parse("#" + q.Get("colour"))
	coloured := q.Get("colour") != "" && err == nil
	for _, t := range s.list {
		in := strings.ToLower(t.Name + " " + strings.Join(t.Tags, " ") + " " + t.Author)
		fits := (q.Get("kind") == "" || q.Get("kind") == t.Kind) && (!coloured || t.Near(wanted) < alike)
		for _, word := range words {
			fits = fits && strings.Contains(in, word)
		}
		if fits {
			list = append(list, s.priced(t))
		}
	}
	if coloured {
		slices.SortStableFunc(list, func(a, b stock.Thing) int {
			if x, y := a.Near(wanted), b.Near(wanted); x != y {
				if x < y {
					return -1
				}
				return 1
			}
			return 0
		})
	}
	page, _ := strconv.Atoi(q.Get("page"))
	out := stock.Page{Things: []stock.Thing{}, Page: max(page, 0), Total: len(list), Pages: (len(list) + stock.PageSize - 1) / stock.PageSize}
	if from := out.Page * stock.PageSize; from < len(list) {
		out.Things = list[from:min(from+stock.PageSize, len(list))]
	}
	return out
}
