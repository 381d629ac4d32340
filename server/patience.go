package server

import (
	"errors"
	"io"
	"net/http"
	"time"
)

// Pace is how slow a client may be. Who reads or sends more slowly is cut off,
// so that it holds nothing for long. A large file over a slow line is not cut:
// what counts is that it gets on.
type Pace struct {
	Write   time.Duration // for each piece of an answer to be taken
	Read    time.Duration // for the next piece of a body
	Grace   time.Duration // after which a body must come at Slowest
	Slowest int64         // bytes a second
}

// usualPace suits people on poor lines.
var usualPace = Pace{20 * time.Second, 15 * time.Second, 20 * time.Second, 2 << 10}

// pieceOfAnswer is how much of an answer is written at a time.
const pieceOfAnswer = 64 << 10

// patient gives each request deadlines that move on as it gets on.
func patient(next http.Handler, pace Pace) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		control := http.NewResponseController(w)
		if r.Body != nil {
			r.Body = &timedBody{ReadCloser: r.Body, Pace: pace, control: control, began: time.Now()}
		}
		next.ServeHTTP(&timedAnswer{w, pace, control}, r)
		// The connection may be used again; an error is that it is gone.
		_ = control.SetWriteDeadline(time.Time{})
		_ = control.SetReadDeadline(time.Time{})
	})
}

type timedAnswer struct {
	http.ResponseWriter
	Pace
	control *http.ResponseController
}

func (t *timedAnswer) Unwrap() http.ResponseWriter { return t.ResponseWriter }

func (t *timedAnswer) Write(b []byte) (total int, err error) {
	for first := true; first || len(b) > 0; first = false {
		_ = t.control.SetWriteDeadline(time.Now().Add(t.Pace.Write)) // where there are none, nothing is cut
		n, err := t.ResponseWriter.Write(b[:min(len(b), pieceOfAnswer)])
		total += n
		if err != nil {
			return total, err
		}
		b = b[n:]
	}
	return total, nil
}

// Flush sends what was written.
func (t *timedAnswer) Flush() {
	_ = t.control.SetWriteDeadline(time.Now().Add(t.Pace.Write))
	_ = t.control.Flush() // who has gone is noticed by the request's context
}

type timedBody struct {
	io.ReadCloser
	Pace
	control *http.ResponseController
	began   time.Time
	bytes   int64
}

var errSlow = errors.New("what was sent came too slowly")

func (t *timedBody) Read(b []byte) (int, error) {
	if past := time.Since(t.began) - t.Grace; past > 0 && float64(t.bytes) < float64(t.Slowest)*past.Seconds() {
		return 0, errSlow
	}
	_ = t.control.SetReadDeadline(time.Now().Add(t.Pace.Read))
	n, err := t.ReadCloser.Read(b)
	t.bytes += int64(n)
	if err != nil {
		_ = t.control.SetReadDeadline(time.Time{})
	}
	return n, err
}
