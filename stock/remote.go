package stock

import (
	"bytes"
	"cmp"
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"net/http"
	"net/url"
	"strconv"
	"strings"
	"time"

	"billow/core/colour"
)

// Remote is a provider that is asked over HTTP, as docs/stock.md says.
type Remote struct {
	URL    string // where it is, without a slash at the end
	Client *http.Client
}

// patience is how long an answer may take to begin.
const patience = 10 * time.Second

// mostList is the largest list that is read.
const mostList = 4 << 20

// NewRemote is a provider at an address.
func NewRemote(address string) *Remote {
	return &Remote{strings.TrimSuffix(address, "/"), &http.Client{Transport: &http.Transport{ResponseHeaderTimeout: patience}}}
}

// Search asks for a page.
func (r *Remote) Search(ctx context.Context, q Query) (p Page, err error) {
	v := url.Values{"page": {strconv.Itoa(q.Page)}}
	if q.Words != "" {
		v.Set("words", q.Words)
	}
	if q.Kind != "" {
		v.Set("kind", q.Kind)
	}
	if q.Colour != nil {
		v.Set("colour", strings.TrimPrefix(q.Colour.String(), "#")[:6])
	}
	return p, r.list(ctx, "/things?"+v.Encode(), &p)
}

// Thing asks for one.
func (r *Remote) Thing(ctx context.Context, id string) (t Thing, err error) {
	return t, r.list(ctx, "/things/"+url.PathEscape(id), &t)
}

// Preview asks for its picture or sound.
func (r *Remote) Preview(ctx context.Context, id string) (io.ReadCloser, string, error) {
	a, err := r.ask(ctx, http.MethodGet, "/things/"+url.PathEscape(id)+"/preview", nil)
	if err != nil {
		return nil, "", err
	}
	return a.Body, a.Header.Get("Content-Type"), nil
}

// Take asks for its file.
func (r *Remote) Take(ctx context.Context, id, price string) (Thing, io.ReadCloser, error) {
	t, err := r.Thing(ctx, id)
	if err != nil {
		return t, nil, err
	}
	body, err := json.Marshal(map[string]string{"price": price})
	if err != nil {
		return t, nil, err
	}
	a, err := r.ask(ctx, http.MethodPost, "/things/"+url.PathEscape(id)+"/take", body)
	if err != nil {
		return t, nil, err
	}
	return t, &whole{a.Body, t.Bytes}, nil
}

// whole reads a file that has so many bytes: one that ends before is no file.
type whole struct {
	io.ReadCloser
	left int64
}

func (w *whole) Read(b []byte) (int, error) {
	n, err := w.ReadCloser.Read(b)
	w.left -= int64(n)
	if err != nil && !errors.Is(err, context.Canceled) && (w.left > 0 || !errors.Is(err, io.EOF)) {
		return n, fmt.Errorf("%w (its file was cut off)", ErrUnreachable)
	}
	return n, err
}

func (r *Remote) list(ctx context.Context, path string, to any) error {
	a, err := r.ask(ctx, http.MethodGet, path, nil)
	if err != nil {
		return err
	}
	defer a.Body.Close()
	if err := json.NewDecoder(io.LimitReader(a.Body, mostList)).Decode(to); err != nil {
		// Who gives up while the answer comes is told so, and not that the shelf is away.
		return cmp.Or(ctx.Err(), ErrUnreachable)
	}
	return nil
}

// ask gives a good answer, or one of the errors that are told apart.
func (r *Remote) ask(ctx context.Context, method, path string, body []byte) (*http.Response, error) {
	q, err := http.NewRequestWithContext(ctx, method, r.URL+path, bytes.NewReader(body))
	if err != nil {
		return nil, err
	}
	a, err := r.Client.Do(q)
	if err != nil {
		if ctx.Err() != nil {
			return nil, ctx.Err()
		}
		return nil, ErrUnreachable
	}
	switch a.StatusCode {
	case http.StatusOK:
		return a, nil
	case http.StatusNotFound, http.StatusGone:
		err = ErrGone
	case http.StatusConflict, http.StatusPaymentRequired:
		err = ErrPrice
	default:
		err = ErrUnreachable
	}
	a.Body.Close()
	return nil, err
}

// Credit is what a prop that was taken says of its maker and its licence.
func (t Thing) Credit() string {
	return fmt.Sprintf("%s by %s, %s", t.Name, t.Author, strings.ToLower(t.Licence[:min(1, len(t.Licence))])+t.Licence[min(1, len(t.Licence)):])
}

// Near is how far a colour is from what most of a thing has, in Oklab; a thing without colours is far
// from all.
func (t Thing) Near(c colour.Colour) float64 {
	best := 9.0
	want := colour.OKLab(float64(c.R), float64(c.G), float64(c.B))
	for _, o := range t.Colours {
		lab := colour.OKLab(float64(o.R), float64(o.G), float64(o.B))
		dl, da, db := lab.L-want.L, lab.A-want.A, lab.B-want.B
		best = min(best, dl*dl+da*da+db*db)
	}
	return best
}
