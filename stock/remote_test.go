package stock_test

import (
	"context"
	"errors"
	"io"
	"net/http"
	"net/http/httptest"
	"testing"

	"billow/stock"
)

// after does something once an answer begins.
type after struct{ do func() }

func (a after) RoundTrip(q *http.Request) (*http.Response, error) {
	answer, err := http.DefaultTransport.RoundTrip(q)
	a.do()
	return answer, err
}

// Who closes the search while its answer comes is not told that the shelf is away.
func TestGivenUpWhileTheAnswerComes(t *testing.T) {
	ctx, cancel := context.WithCancel(t.Context())
	s := httptest.NewServer(http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		io.WriteString(w, `{"things":[`)
		w.(http.Flusher).Flush()
		<-r.Context().Done()
	}))
	defer s.Close()
	remote := stock.NewRemote(s.URL)
	remote.Client = &http.Client{Transport: after{cancel}}
	if _, err := remote.Search(ctx, stock.Query{}); !errors.Is(err, context.Canceled) {
		t.Errorf("given up it says %v", err)
	}
}

// An answer that ends in its middle comes from a shelf that is in trouble.
func TestAnAnswerThatEndsInItsMiddle(t *testing.T) {
	s := httptest.NewServer(http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		io.WriteString(w, `{"things":[`)
	}))
	defer s.Close()
	if _, err := stock.NewRemote(s.URL).Search(t.Context(), stock.Query{}); !errors.Is(err, stock.ErrUnreachable) {
		t.Errorf("cut off it says %v", err)
	}
}
