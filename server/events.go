package server

import (
	"context"
	"encoding/json"
	"fmt"
	"net/http"
	"sync"
	"time"

	"billow/store"

	"github.com/gin-gonic/gin"
)

// watch tells pages that a clip has a new revision: at once when this process
// has made it, and soon when another one has.
type watch struct {
	mu     sync.Mutex
	pages  map[string]map[chan int]bool // by clip
	newest map[string]int               // what they have been told
	asking bool
}

// lookEvery is how often the database is asked for revisions that another
// process has made; one query serves all pages.
const lookEvery = 400 * time.Millisecond

// join gives a channel on which the newest revision of a clip arrives whenever
// there is one; leave ends it.
func (w *watch) join(clip string, s *store.Store) (news chan int, leave func()) {
	news = make(chan int, 1)
	w.mu.Lock()
	defer w.mu.Unlock()
	if w.pages == nil {
		w.pages, w.newest = map[string]map[chan int]bool{}, map[string]int{}
	}
	if w.pages[clip] == nil {
		w.pages[clip] = map[chan int]bool{}
	}
	w.pages[clip][news] = true
	if n := w.newest[clip]; n > 0 {
		news <- n
	}
	if !w.asking {
		w.asking = true
		go w.ask(s)
	}
	return news, func() {
		w.mu.Lock()
		defer w.mu.Unlock()
		delete(w.pages[clip], news)
		if len(w.pages[clip]) == 0 {
			delete(w.pages, clip)
			delete(w.newest, clip)
		}
	}
}

// tell passes a revision on to all who watch its clip. Nobody is waited for:
// who has not taken the last one yet finds the newest in its place.
func (w *watch) tell(clip string, revision int) {
	w.mu.Lock()
	defer w.mu.Unlock()
	if len(w.pages[clip]) == 0 || revision <= w.newest[clip] {
		return
	}
	w.newest[clip] = revision
	for news := range w.pages[clip] {
		select {
		case <-news:
		default:
		}
		news <- revision
	}
}

// ask looks for what other processes have done as long as anyone watches.
func (w *watch) ask(s *store.Store) {
	tick := time.NewTicker(lookEvery)
	defer tick.Stop()
	for range tick.C {
		w.mu.Lock()
		clips := make([]string, 0, len(w.pages))
		for id := range w.pages {
			clips = append(clips, id)
		}
		if len(clips) == 0 {
			w.asking = false
			w.mu.Unlock()
			return
		}
		w.mu.Unlock()
		heads, err := s.Heads(context.Background(), clips)
		if err != nil {
			continue // asked again in a moment
		}
		for id, revision := range heads {
			w.tell(id, revision)
		}
	}
}

// clipEvents tells a page of new revisions as they come, and that the
// connection lives.
func (s *Server) clipEvents(c *gin.Context) {
	news, leave := s.watch.join(c.Param("id"), s.Store)
	defer leave()
	stream(c)
	fmt.Fprint(c.Writer, ": here\n\n")
	c.Writer.Flush()
	alive := time.NewTicker(10 * time.Second)
	defer alive.Stop()
	for {
		select {
		case revision := <-news:
			fmt.Fprintf(c.Writer, "event: revision\ndata: %d\n\n", revision)
		case <-alive.C:
			fmt.Fprint(c.Writer, ": here\n\n")
		case <-c.Request.Context().Done():
			return
		}
		c.Writer.Flush()
	}
}

// stream makes an answer a stream of events.
func stream(c *gin.Context) {
	c.Header("Content-Type", "text/event-stream")
	c.Header("Cache-Control", "no-store")
	c.Status(http.StatusOK)
}

// changes sends what get gives whenever that is another thing than before, until the client goes.
func changes(c *gin.Context, get func() (any, error)) {
	stream(c)
	tick := time.NewTicker(400 * time.Millisecond)
	defer tick.Stop()
	last := ""
	for {
		now, err := get()
		if b, wrong := json.Marshal(now); err == nil && wrong == nil && string(b) != last {
			last = string(b)
			fmt.Fprintf(c.Writer, "data: %s\n\n", b)
			c.Writer.Flush()
		}
		select {
		case <-tick.C:
		case <-c.Request.Context().Done():
			return
		}
	}
}
