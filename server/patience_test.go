package server

import (
	"fmt"
	"io"
	"net"
	"net/http"
	"net/http/httptest"
	"strings"
	"testing"
	"time"
)

// hurried is a pace for tests.
var hurried = Pace{Write: 200 * time.Millisecond, Read: 200 * time.Millisecond, Grace: 100 * time.Millisecond, Slowest: 1 << 20}

// served runs a handler at that pace and gives its address; what the handler
// ends with arrives on the channel.
func served(t *testing.T, f func(w http.ResponseWriter, r *http.Request) error) (string, chan error) {
	t.Helper()
	ended := make(chan error, 10)
	s := httptest.NewServer(patient(http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) { ended <- f(w, r) }), hurried))
	t.Cleanup(s.Close)
	return strings.TrimPrefix(s.URL, "http://"), ended
}

func dial(t *testing.T, address, says string) net.Conn {
	t.Helper()
	c, err := net.Dial("tcp", address)
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { c.Close() })
	if _, err := io.WriteString(c, says); err != nil {
		t.Fatal(err)
	}
	return c
}

func TestWhoDoesNotReadIsCutOff(t *testing.T) {
	address, ended := served(t, func(w http.ResponseWriter, _ *http.Request) error {
		for {
			if _, err := w.Write(make([]byte, 1<<20)); err != nil {
				return err
			}
		}
	})
	dial(t, address, "GET / HTTP/1.1\r\nHost: x\r\n\r\n")
	if err := <-ended; err == nil {
		t.Error("an answer that nobody reads came to an end")
	}
}

func TestWhoStopsSendingIsCutOff(t *testing.T) {
	address, ended := served(t, func(_ http.ResponseWriter, r *http.Request) error {
		_, err := io.ReadAll(r.Body)
		return err
	})
	dial(t, address, "POST / HTTP/1.1\r\nHost: x\r\nContent-Length: 1000\r\n\r\nhalf of it")
	if err := <-ended; err == nil {
		t.Error("half a body was taken for a whole one")
	}
}

// A body that trickles in, each piece in time, is cut off as well.
func TestWhoSendsDropByDropIsCutOff(t *testing.T) {
	address, ended := served(t, func(_ http.ResponseWriter, r *http.Request) error {
		_, err := io.ReadAll(r.Body)
		return err
	})
	c := dial(t, address, "POST / HTTP/1.1\r\nHost: x\r\nTransfer-Encoding: chunked\r\n\r\n")
	go func() {
		for {
			if _, err := fmt.Fprint(c, "1\r\nx\r\n"); err != nil {
				return
			}
		}
	}()
	if err := <-ended; err == nil {
		t.Error("it was read to the end")
	}
}

// A connection goes on being used after its deadlines, and a stream of events
// that says nothing for long lives.
func TestWhoWaitsIsNotCutOff(t *testing.T) {
	address, ended := served(t, func(w http.ResponseWriter, r *http.Request) error {
		if _, err := io.ReadAll(r.Body); err != nil {
			return err
		}
		fmt.Fprint(w, "first")
		w.(http.Flusher).Flush()
		<-time.After(3 * hurried.Write)
		_, err := fmt.Fprint(w, "second")
		return err
	})
	for range 2 {
		answer, err := http.Post("http://"+address, "text/plain", strings.NewReader("all of it"))
		if err != nil {
			t.Fatal(err)
		}
		b, err := io.ReadAll(answer.Body)
		answer.Body.Close()
		if err != nil || string(b) != "firstsecond" {
			t.Errorf("the answer is %q (%v)", b, err)
		}
		if err := <-ended; err != nil {
			t.Error(err)
		}
	}
}
