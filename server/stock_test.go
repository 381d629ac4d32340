package server_test

import (
	"context"
	"io"
	"net/http"
	"net/http/httptest"
	"strings"
	"testing"
	"time"

	"billow/export"
	"billow/media"
	"billow/server"
	"billow/stock"
	"billow/stock/standin"
)

// beside is the address of a server that fetches from a stock shelf.
func beside(t *testing.T, shelf http.Handler) string {
	t.Helper()
	far := httptest.NewServer(shelf)
	t.Cleanup(far.Close)
	drawer := &export.Drawer{}
	q, err := export.NewQueue(db, drawer, false)
	if err != nil {
		t.Fatal(err)
	}
	near := httptest.NewServer((&server.Server{Store: db, Queue: q, Limits: media.DefaultLimits(), Stock: stock.NewRemote(far.URL), Drawer: drawer}).Handler())
	t.Cleanup(near.Close)
	return near.URL
}

// stocked is a server beside a stock shelf.
func stocked(t *testing.T) (*standin.Shelf, func(method, path, body string) (int, string)) {
	t.Helper()
	shelf := standin.New()
	near := beside(t, shelf)
	return shelf, func(method, path, body string) (int, string) {
		t.Helper()
		q, err := http.NewRequestWithContext(t.Context(), method, near+path, strings.NewReader(body))
		if err != nil {
			t.Fatal(err)
		}
		a, err := http.DefaultClient.Do(q)
		if err != nil {
			t.Fatal(err)
		}
		defer a.Body.Close()
		b, err := io.ReadAll(a.Body)
		if err != nil {
			t.Fatal(err)
		}
		return a.StatusCode, string(b)
	}
}

func TestTheStockShelfIsPassedOn(t *testing.T) {
	shelf, ask := stocked(t)
	if status, b := ask("GET", "/api/stock?words=lime&kind=garnish", ""); status != 200 || !strings.Contains(b, `"lime-slice"`) || strings.Contains(b, "basil") {
		t.Fatal(status, b)
	}
	if status, _ := ask("GET", "/api/stock/lime-slice/preview", ""); status != 200 {
		t.Error("the preview says", status)
	}
	status, b := ask("POST", "/api/stock/lime-slice/take", `{"price":""}`)
	if status != 201 || !strings.Contains(b, `"name":"Lime slice"`) || !strings.Contains(b, `"credit":"Lime slice by Juniper Hale, free to use"`) {
		t.Fatal(status, b)
	}
	if _, b := ask("GET", "/api/props", ""); !strings.Contains(b, "Lime slice by Juniper Hale") {
		t.Error("it is not on the shelf")
	}
	// Footage is read in a while, and says who made it, too.
	status, b = ask("POST", "/api/stock/pool-light/take", `{"price":""}`)
	if status != 202 || !strings.Contains(b, `"intake"`) {
		t.Fatal(status, b)
	}
	for _, c := range []struct {
		path, body string
		fail       int
		status     int
		says       string
	}{
		{"/api/stock/city-lights/take", `{"price":""}`, 0, 409, "Its price has changed"},
		{"/api/stock/nothing/take", `{"price":""}`, 0, 404, "no longer on the stock shelf"},
		{"/api/stock/lime-slice/take", `{"price":""}`, 500, 502, "does not answer now"},
		{"/api/stock/lime-slice/take", `{"price":""}`, standin.Cut, 502, "does not answer now"},
		{"/api/stock/lime-slice/take", `{`, 0, 422, ""},
	} {
		shelf.Have(standin.Trouble{Fail: func(r *http.Request) int {
			if r.Method == http.MethodPost {
				return c.fail
			}
			return 0
		}})
		if status, b := ask("POST", c.path, c.body); status != c.status || !strings.Contains(b, c.says) {
			t.Errorf("%s with %d: %d %s", c.path, c.fail, status, b)
		}
	}
	shelf.Have(standin.Trouble{Fail: func(*http.Request) int { return 503 }})
	if status, b := ask("GET", "/api/stock", ""); status != 502 || !strings.Contains(b, "try again in a moment") {
		t.Error(status, b)
	}
	shelf.Have(standin.Trouble{})
	if status, b := ask("GET", "/api/stock?colour=purple", ""); status != 422 {
		t.Error(status, b)
	}
}

// When whoever waits for a slow shelf goes, it is no longer asked.
func TestASlowShelfIsLeft(t *testing.T) {
	shelf := standin.New()
	shelf.Have(standin.Trouble{Delay: time.Hour})
	reached, left := make(chan struct{}), make(chan struct{})
	near := beside(t, http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		close(reached)
		shelf.ServeHTTP(w, r)
		close(left)
	}))
	ctx, cancel := context.WithCancel(t.Context())
	q, err := http.NewRequestWithContext(ctx, http.MethodGet, near+"/api/stock", nil)
	if err != nil {
		t.Fatal(err)
	}
	go func() {
		<-reached
		cancel()
	}()
	if a, err := http.DefaultClient.Do(q); err == nil {
		a.Body.Close()
		t.Error("it is answered:", a.Status)
	}
	<-left
}
