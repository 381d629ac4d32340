package server_test

import (
	"bufio"
	"bytes"
	"encoding/json"
	"fmt"
	"io"
	"net"
	"net/http"
	"net/http/httptest"
	"strings"
	"testing"
	"testing/fstest"

	"billow/door"
	"billow/export"
	"billow/media"
	"billow/server"
)

// closed is a server that others can reach.
func closed(t *testing.T) (*httptest.Server, http.Handler) {
	t.Helper()
	drawer := &export.Drawer{}
	q, err := export.NewQueue(db, drawer, false)
	if err != nil {
		t.Fatal(err)
	}
	h := (&server.Server{Store: db, Queue: q, Drawer: drawer, Limits: media.DefaultLimits(), Closed: true, Hosts: []string{"Billow.example"},
		Page: fstest.MapFS{"index.html": {Data: []byte("<p>page")}}}).Handler()
	s := httptest.NewServer(h)
	t.Cleanup(s.Close)
	return s, h
}

// asks sends a request with some headers.
func asks(t *testing.T, method, url, body string, headers ...string) (*http.Response, string) {
	t.Helper()
	req, err := http.NewRequest(method, url, strings.NewReader(body))
	if err != nil {
		t.Fatal(err)
	}
	for i := 0; i < len(headers); i += 2 {
		if headers[i] == "Host" {
			req.Host = headers[i+1]
		}
		req.Header.Set(headers[i], headers[i+1])
	}
	answer, err := http.DefaultTransport.RoundTrip(req)
	if err != nil {
		t.Fatal(err)
	}
	defer answer.Body.Close()
	b, err := io.ReadAll(answer.Body)
	if err != nil {
		t.Fatal(err)
	}
	return answer, string(b)
}

// Every route there is, read from the router itself, is closed to whoever has
// not signed in, but for those that let one sign in and say whether all is well.
func TestEveryRouteIsClosedWithoutASession(t *testing.T) {
	_, h := closed(t)
	open := map[string]bool{"GET /healthz": true, "GET /api/door": true, "POST /api/door": true, "DELETE /api/door": true}
	routes := server.Routes(h)
	if len(routes) < 25 {
		t.Fatalf("only %d routes were found", len(routes))
	}
	for _, r := range routes {
		for _, headers := range [][]string{{}, {"Cookie", "billow-session=guess"}, {"Authorization", "Bearer billow_guess"}} {
			s := httptest.NewServer(h)
			answer, body := asks(t, r.Method, s.URL+strings.NewReplacer(":id", "x", ":hash", "x", ":file", "x.mp4").Replace(r.Path), "", headers...)
			s.Close()
			if (answer.StatusCode == http.StatusUnauthorized) == open[r.Method+" "+r.Path] {
				t.Errorf("%s %s with %v gives %d %s", r.Method, r.Path, headers, answer.StatusCode, body)
			}
		}
	}
}

func TestSigningInAndOut(t *testing.T) {
	s, _ := closed(t)
	const phrase = "tin kettle on the fire"
	sign := func(phrase string) (*http.Response, string) {
		b, err := json.Marshal(map[string]string{"phrase": phrase})
		if err != nil {
			t.Fatal(err)
		}
		return asks(t, "POST", s.URL+"/api/door", string(b))
	}
	if answer, _ := sign(""); answer.StatusCode != http.StatusForbidden {
		t.Errorf("before a pass phrase is set, an empty one gives %d", answer.StatusCode)
	}
	if err := db.SetPhrase(t.Context(), door.Hash(phrase)); err != nil {
		t.Fatal(err)
	}
	if answer, body := sign("tin kettle on the water"); answer.StatusCode != http.StatusForbidden || !strings.Contains(body, "not the pass phrase") {
		t.Errorf("a wrong one gives %d %s", answer.StatusCode, body)
	}
	answer, _ := sign(phrase)
	if answer.StatusCode != http.StatusNoContent || len(answer.Cookies()) != 1 {
		t.Fatalf("the right one gives %d", answer.StatusCode)
	}
	cookie := answer.Cookies()[0]
	if !cookie.HttpOnly || cookie.SameSite != http.SameSiteStrictMode || cookie.Path != "/" {
		t.Errorf("the cookie is %+v", cookie)
	}
	with := []string{"Cookie", cookie.Name + "=" + cookie.Value}
	if answer, body := asks(t, "GET", s.URL+"/api/clips", "", with...); answer.StatusCode != http.StatusOK {
		t.Errorf("signed in, the clips give %d %s", answer.StatusCode, body)
	}
	var list struct {
		Sessions []struct{ ID string }
		Own      string
	}
	_, body := asks(t, "GET", s.URL+"/api/sessions", "", with...)
	if err := json.Unmarshal([]byte(body), &list); err != nil || len(list.Sessions) != 1 || list.Sessions[0].ID != list.Own {
		t.Fatalf("the sessions are %s (%v)", body, err)
	}
	if strings.Contains(body, cookie.Value) {
		t.Error("the list gives the secret away")
	}
	if answer, _ := asks(t, "DELETE", s.URL+"/api/sessions/"+list.Own, "", with...); answer.StatusCode != http.StatusNoContent {
		t.Errorf("ending it gives %d", answer.StatusCode)
	}
	if answer, _ := asks(t, "GET", s.URL+"/api/clips", "", with...); answer.StatusCode != http.StatusUnauthorized {
		t.Errorf("after it has ended the clips give %d", answer.StatusCode)
	}
	// A token lets a script in until it is taken back.
	id, err := db.AddToken(t.Context(), "script", door.Digest("billow_secret"))
	if err != nil {
		t.Fatal(err)
	}
	for _, want := range []int{http.StatusOK, http.StatusUnauthorized} {
		if answer, _ := asks(t, "GET", s.URL+"/api/clips", "", "Authorization", "Bearer billow_secret"); answer.StatusCode != want {
			t.Errorf("the token gives %d, want %d", answer.StatusCode, want)
		}
		_ = db.EndToken(t.Context(), id) // the second time it is gone already
	}
	// Guessing is stopped, also for the right one.
	for range 6 {
		answer, body = sign("another wrong phrase")
	}
	if answer.StatusCode != http.StatusTooManyRequests || answer.Header.Get("Retry-After") == "" || !strings.Contains(body, "Too many wrong") {
		t.Errorf("the sixth wrong one gives %d %s", answer.StatusCode, body)
	}
	if answer, _ := sign(phrase); answer.StatusCode != http.StatusTooManyRequests {
		t.Errorf("the right one then gives %d", answer.StatusCode)
	}
}

// A name that someone else lets point here is not answered, whatever is asked.
func TestOnlyOwnNamesAreAnswered(t *testing.T) {
	s, _ := closed(t)
	for host, want := range map[string]int{
		"localhost:8710": 200, "127.0.0.1": 200, "127.8.9.10:1": 200, "[::1]:99": 200, "billow.EXAMPLE": 200, "billow.example.:80": 200,
		"attacker.example": 421, "localhost.attacker.example": 421, "127.0.0.1.attacker.example": 421, "192.0.2.1": 421, "0": 421, "": 421, "a b": 400,
	} {
		for _, path := range []string{"/", "/healthz", "/api/door", "/api/clips/x/events"} {
			c, err := net.Dial("tcp", strings.TrimPrefix(s.URL, "http://"))
			if err != nil {
				t.Fatal(err)
			}
			fmt.Fprintf(c, "GET %s HTTP/1.1\r\nHost: %s\r\nConnection: close\r\n\r\n", path, host)
			answer, err := http.ReadResponse(bufio.NewReader(c), nil)
			if err != nil {
				t.Fatal(err)
			}
			expect := want
			if want == 200 && path == "/api/clips/x/events" {
				expect = 401
			}
			if answer.StatusCode != expect {
				t.Errorf("%s of %q gives %d, want %d", path, host, answer.StatusCode, expect)
			}
			c.Close()
		}
	}
}

// What was brought in is never a page or a script, whatever it says of itself.
func TestStoredFilesDoNothing(t *testing.T) {
	page := "<html><script>alert(1)</script>"
	for kind, plain := range map[string]bool{"text/html": false, "text/javascript": false, "image/svg+xml": false, "application/pdf": false, "image/png": true, "audio/mpeg": true, "video/mp4": true} {
		hash := media.Hash([]byte(page + kind))
		if err := db.PutFile(t.Context(), hash, kind, strings.NewReader(page)); err != nil {
			t.Fatal(err)
		}
		answer, _ := asks(t, "GET", url+"/api/files/"+hash, "")
		h := answer.Header
		if h.Get("Content-Security-Policy") != "default-src 'none'; sandbox" || h.Get("X-Content-Type-Options") != "nosniff" {
			t.Errorf("%s is served with %v", kind, h)
		}
		if shown := h.Get("Content-Type") == kind && h.Get("Content-Disposition") == ""; shown != plain {
			t.Errorf("%s is served as %s, %q", kind, h.Get("Content-Type"), h.Get("Content-Disposition"))
		}
	}
}

// A bundle's word for what its files are counts for nothing.
func TestABundleCannotBringAScriptIn(t *testing.T) {
	id := newClip(t)
	status, prop := ask(t, "POST", "/api/props?name=mug.png", picture(t))
	if status != http.StatusCreated {
		t.Fatal(prop)
	}
	b, err := json.Marshal(prop)
	if err != nil {
		t.Fatal(err)
	}
	lie := bytes.Replace(b, []byte(`"image/png"`), []byte(`"text/html"`), 1)
	if status, out := ask(t, "POST", "/api/clips/"+id+"/commands", sent(1, `{"type":"addProp","prop":`+string(lie)+`}`)); status != 200 || refusals(out)[0] != "" {
		t.Fatalf("a prop that lies gives %v", out)
	}
	answer, _ := asks(t, "GET", url+"/api/clips/"+id+"/bundle.zip", "")
	_, packed := asks(t, "GET", url+"/api/clips/"+id+"/bundle.zip", "")
	if answer.StatusCode != 200 {
		t.Fatal(packed)
	}
	status, out := ask(t, "POST", "/api/bundles", packed)
	if status != http.StatusCreated {
		t.Fatalf("importing gives %d %v", status, out)
	}
	st, err := db.State(t.Context(), out["id"].(string))
	if err != nil || st.Clip.Props[0].Media != "image/png" {
		t.Errorf("the prop became %+v (%v)", st.Clip.Props, err)
	}
}

// Many wait for one clip, more than there are connections to the database.
func TestHealthIsToldWhateverHangs(t *testing.T) {
	// A transaction holds the clip's row, and many wait for it.
	id := newClip(t)
	tx, err := db.Pool.Begin(t.Context())
	if err != nil {
		t.Fatal(err)
	}
	if _, err := tx.Exec(t.Context(), `SELECT FROM clips WHERE id = $1 FOR UPDATE`, id); err != nil {
		t.Fatal(err)
	}
	statuses := make(chan int, 40)
	for range cap(statuses) {
		go func() {
			answer, err := http.Post(url+"/api/clips/"+id+"/commands", "application/json", strings.NewReader(sent(1, `{"type":"setClip","name":"Waits"}`)))
			if err != nil {
				statuses <- 0
				return
			}
			answer.Body.Close()
			statuses <- answer.StatusCode
		}()
	}
	other := newClip(t)
	for range 20 {
		if answer, body := asks(t, "GET", url+"/healthz", ""); answer.StatusCode != 200 {
			t.Errorf("meanwhile health is %d %s", answer.StatusCode, body)
		}
		if status, _ := ask(t, "POST", "/api/clips/"+other+"/commands", sent(1, `{"type":"setClip","name":"Goes on"}`)); status != 200 {
			t.Errorf("meanwhile another clip gives %d", status)
		}
	}
	if err := tx.Rollback(t.Context()); err != nil {
		t.Fatal(err)
	}
	for range cap(statuses) {
		if status := <-statuses; status != 200 {
			t.Errorf("one who waited got %d", status)
		}
	}
	if st, err := db.State(t.Context(), id); err != nil || st.Revision != 41 {
		t.Errorf("the clip is at %+v (%v), want revision 41", st, err)
	}
}
