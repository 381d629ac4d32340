package server

import (
	"encoding/json"
	"io"
	"net/http"
	"strconv"
	"strings"
	"time"

	"billow/core/clip"
	"billow/core/edit"
	"billow/core/timing"
	"billow/media"
	"billow/store"

	"github.com/gin-gonic/gin"
)

// smallBody is the largest JSON body of a request that brings only settings.
const smallBody = 64 << 10

func readJSON(c *gin.Context, into any, most int64) error {
	b, err := io.ReadAll(http.MaxBytesReader(c.Writer, c.Request.Body, most))
	if err != nil {
		return err
	}
	return clip.DecodeStrict(b, into)
}

// clipsPage is how many clips a list shows at once.
const clipsPage = 40

type clipSummary struct {
	ID       string      `json:"id"`
	Name     string      `json:"name"`
	Revision int         `json:"revision"`
	Shape    clip.Shape  `json:"shape"`
	Rate     timing.Rate `json:"rate"`
	Length   string      `json:"length"`
	Updated  time.Time   `json:"updated"`
}

// listClips lists some clips: ?search= in their names, ?sort= by changed, name or
// length, ?from= so many on, ?deleted=1 those that were deleted.
func (s *Server) listClips(c *gin.Context) {
	q := store.ClipQuery{Search: strings.TrimSpace(c.Query("search")), Sort: c.DefaultQuery("sort", "changed"), Limit: clipsPage, Deleted: c.Query("deleted") != ""}
	if !store.Sorts(q.Sort) {
		fail(c, clip.Fault("sort", "clips are sorted by changed, name or length, not by %q", q.Sort))
		return
	}
	var err error
	if q.Offset, err = strconv.Atoi(c.DefaultQuery("from", "0")); err != nil || q.Offset < 0 {
		fail(c, clip.Fault("from", "the list is read from a whole number on, not from %q", c.Query("from")))
		return
	}
	rows, total, err := s.Store.Clips(c, q)
	if err != nil {
		fail(c, err)
		return
	}
	out := []clipSummary{}
	for _, r := range rows {
		m := r.Summary
		out = append(out, clipSummary{r.ID, r.Name, r.Revision, m.Shape, m.Rate, m.Rate.Timecode(m.Length), r.Updated})
	}
	gone := total
	if !q.Deleted {
		if _, gone, err = s.Store.Clips(c, store.ClipQuery{Sort: q.Sort, Limit: 1, Deleted: true}); err != nil {
			fail(c, err)
			return
		}
	}
	c.JSON(http.StatusOK, gin.H{"clips": out, "total": total, "deleted": gone})
}

func (s *Server) createClip(c *gin.Context) {
	var in struct {
		Name   string      `json:"name"`
		Shape  clip.Shape  `json:"shape"`
		Rate   timing.Rate `json:"rate"`
		Length string      `json:"length"` // "12s00f" or "5 bars"
		Tempo  float64     `json:"tempo"`  // for bars; 0 is 120
	}
	if err := readJSON(c, &in, smallBody); err != nil {
		fail(c, err)
		return
	}
	if !in.Rate.Valid() {
		fail(c, clip.Fault("rate", "a clip has 24, 25, 30, 50 or 60 frames a second, not %d", in.Rate))
		return
	}
	if in.Tempo == 0 {
		in.Tempo = 120
	}
	tempo := timing.Even(in.Tempo)
	if err := tempo.Check(); err != nil {
		fail(c, clip.Fault("tempo", "%v", err))
		return
	}
	length, err := timing.Clock{Rate: in.Rate, Tempo: tempo}.ParseLength(in.Length)
	if err != nil {
		fail(c, clip.Fault("length", "%v", err))
		return
	}
	if most := clip.MaxSeconds * int(in.Rate); length < 1 || length > most {
		fail(c, clip.Fault("length", "a clip lasts at least one frame and at most %d seconds", clip.MaxSeconds))
		return
	}
	doc := clip.New(strings.TrimSpace(in.Name), in.Shape, in.Rate, length)
	doc.Tempo = tempo
	if err := doc.Validate(); err != nil {
		fail(c, err)
		return
	}
	s.store(c, doc, "New clip")
}

// store keeps a new clip and answers with its ID.
func (s *Server) store(c *gin.Context, doc *clip.Clip, change string) {
	id := store.NewID()
	if err := s.Store.CreateClip(c, id, doc, change); err != nil {
		fail(c, err)
		return
	}
	c.JSON(http.StatusCreated, gin.H{"id": id, "revision": 1})
}

func (s *Server) getClip(c *gin.Context) {
	st, err := s.Store.State(c, c.Param("id"))
	if err != nil {
		fail(c, err)
		return
	}
	c.JSON(http.StatusOK, gin.H{"id": st.ID, "revision": st.Revision, "clip": st.Clip, "needs": st.Clip.Pictures()})
}

// deleteClip takes a clip out of sight; returnClip takes that back.
func (s *Server) deleteClip(c *gin.Context) { done(c, s.Store.DeleteClip(c, c.Param("id"))) }
func (s *Server) returnClip(c *gin.Context) { done(c, s.Store.ReturnClip(c, c.Param("id"))) }

// copyClip makes a clip of another one, changed by commands: none for a duplicate,
// or those that make it one for another product.
func (s *Server) copyClip(c *gin.Context) {
	var in struct {
		Name     string            `json:"name"`
		Commands []json.RawMessage `json:"commands"`
	}
	free, err := readPost(c, &in)
	if err != nil {
		fail(c, err)
		return
	}
	defer free()
	st, err := s.Store.State(c, c.Param("id"))
	if err != nil {
		fail(c, err)
		return
	}
	doc := st.Clip.Copy()
	for _, command := range in.Commands {
		if doc, err = edit.Apply(doc, command); err != nil {
			fail(c, err)
			return
		}
	}
	doc.Name = strings.TrimSpace(in.Name)
	if err := doc.Validate(); err != nil {
		fail(c, err)
		return
	}
	s.store(c, doc, "Made from "+st.Clip.Name)
}

// outcome is the answer to whoever edits or catches up.
type outcome struct {
	Revision int         `json:"revision"`
	Results  []verdict   `json:"results,omitempty"`
	Missing  []store.Row `json:"missing"`
	Whole    bool        `json:"whole,omitempty"`
}

// verdict is what became of one command: a revision, or why it does not fit.
type verdict struct {
	ID       string       `json:"id"`
	Revision int          `json:"revision,omitempty"`
	What     string       `json:"what,omitempty"`
	Refused  *problemText `json:"refused,omitempty"`
}

func answer(c *gin.Context, out store.Outcome, err error) {
	if err != nil {
		fail(c, err)
		return
	}
	body := outcome{out.Revision, nil, out.Missing, out.Whole}
	if body.Missing == nil {
		body.Missing = []store.Row{}
	}
	for _, v := range out.Verdicts {
		one := verdict{ID: v.ID, Revision: v.Revision, What: v.What}
		if v.Refused != nil {
			one.Refused = &problemText{"invalid", v.Refused.Reason, v.Refused.Field}
		}
		body.Results = append(body.Results, one)
	}
	c.JSON(http.StatusOK, body)
}

// postCommands puts commands on top of the clip as it is now. Each is judged
// alone and taken once, however often it is sent.
func (s *Server) postCommands(c *gin.Context) {
	var in struct {
		After    int          `json:"after"` // the newest revision that the page knows
		Commands []store.Edit `json:"commands"`
	}
	free, err := readPost(c, &in)
	if err != nil {
		fail(c, err)
		return
	}
	defer free()
	out, err := s.Store.Edit(c, c.Param("id"), in.After, in.Commands)
	answer(c, out, err)
}

const (
	// usualPost is what a post of commands takes almost always.
	usualPost = 256 << 10
	// largestPost holds a command that brings a whole clip in.
	largestPost = edit.MaxBytes + 1<<20
)

// readPost reads a post of commands. A large one lies on disk until it is its
// turn to be read, since reading it takes several times its size; its memory is
// given back by free.
func readPost(c *gin.Context, into any) (free func(), err error) {
	if n := c.Request.ContentLength; n >= 0 && n <= usualPost {
		return func() {}, readJSON(c, into, usualPost)
	}
	spool, err := media.NewSpool(c.Request.Body, largestPost)
	if err != nil {
		return nil, err
	}
	defer spool.Close()
	if free, err = media.Take(c, 8*spool.Bytes); err != nil {
		return nil, err
	}
	b, err := io.ReadAll(spool)
	if err == nil {
		err = clip.DecodeStrict(b, into)
	}
	if err != nil {
		free()
		return nil, err
	}
	return free, nil
}

// getCommands is what happened after a revision.
func (s *Server) getCommands(c *gin.Context) {
	after, err := number(c, "after")
	if err != nil {
		fail(c, err)
		return
	}
	out, err := s.Store.Since(c, c.Param("id"), after)
	answer(c, out, err)
}

// number is a parameter that is a number from 0 on; without it, 0.
func number(c *gin.Context, name string) (int, error) {
	text := c.Query(name)
	if text == "" {
		return 0, nil
	}
	n, err := strconv.ParseInt(text, 10, 32)
	if err != nil || n < 0 {
		return 0, clip.Fault(name, "%q is not a number of a revision", text)
	}
	return int(n), nil
}
