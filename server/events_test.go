package server_test

import (
	"bufio"
	"context"
	"net/http"
	"strings"
	"testing"
	"time"

	"billow/store"
)

// listen opens a clip's stream of events and gives what it says, line by line.
func listen(t *testing.T, id string) chan string {
	t.Helper()
	ctx, cancel := context.WithTimeout(context.Background(), 40*time.Second)
	t.Cleanup(cancel)
	req, err := http.NewRequestWithContext(ctx, "GET", url+"/api/clips/"+id+"/events", nil)
	if err != nil {
		t.Fatal(err)
	}
	answer, err := http.DefaultTransport.RoundTrip(req)
	if err != nil {
		t.Fatal(err)
	}
	said := make(chan string, 100)
	go func() {
		defer answer.Body.Close()
		defer close(said)
		for lines := bufio.NewScanner(answer.Body); lines.Scan(); {
			if data, ok := strings.CutPrefix(lines.Text(), "data: "); ok {
				said <- data
			}
		}
	}()
	return said
}

func TestPagesHearOfEachOthersChanges(t *testing.T) {
	id := newClip(t)
	pages := []chan string{listen(t, id), listen(t, id)}
	hear := func(want string) {
		t.Helper()
		for i, said := range pages {
			got := ""
			for got = range said {
				if got >= want {
					break
				}
			}
			if got != want {
				t.Fatalf("page %d hears of %q instead of %s", i, got, want)
			}
		}
	}
	if status, out := ask(t, "POST", "/api/clips/"+id+"/commands", sent(1, `{"type":"setClip","name":"One"}`)); status != 200 {
		t.Fatal(out)
	}
	hear("2")
	// Another server on the same database makes a change.
	other, err := store.Connect(t.Context(), db.URL)
	if err != nil {
		t.Fatal(err)
	}
	defer other.Close()
	if _, err := other.Edit(t.Context(), id, 2, []store.Edit{{ID: "elsewhere", Command: []byte(`{"type":"setClip","name":"Two"}`)}}); err != nil {
		t.Fatal(err)
	}
	hear("3")
	// This server, which had the clip at hand, goes on from there.
	if status, out := ask(t, "POST", "/api/clips/"+id+"/commands", sent(2, `{"type":"setLight","set":{"strength":9}}`)); status != 200 || out["revision"] != 4.0 {
		t.Fatal(out)
	}
	hear("4")
	st, err := other.State(t.Context(), id)
	if err != nil || st.Clip.Name != "Two" || st.Clip.Light.Strength != 9 {
		t.Errorf("the clip is %+v (%v)", st, err)
	}
}
