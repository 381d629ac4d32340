package server_test

import (
	"bytes"
	"compress/gzip"
	"encoding/json"
	"fmt"
	"image"
	"image/color"
	"image/png"
	"io"
	"math"
	"math/rand"
	"net/http"
	"net/http/httptest"
	"os"
	"strings"
	"testing"
	"testing/fstest"
	"time"

	"billow/core/clip"
	"billow/export"
	"billow/media"
	"billow/server"
	"billow/store"
	"billow/store/local"
)

var (
	db  *store.Store
	pg  *local.Server
	url string
)

func TestMain(m *testing.M) {
	export.DrawIfAsked()
	os.Exit(run(m))
}

func run(m *testing.M) int {
	dir, err := os.MkdirTemp("", "billow-server-")
	if err != nil {
		panic(err)
	}
	defer os.RemoveAll(dir)
	// Another user may have to reach the folder.
	if err := os.Chmod(dir, 0o755); err != nil {
		panic(err)
	}
	if pg, err = local.Start(t0(), dir); err != nil {
		panic(err)
	}
	defer pg.Stop()
	if db, err = store.Open(t0(), pg.URL); err != nil {
		panic(err)
	}
	defer db.Close()
	drawer := &export.Drawer{}
	q, err := export.NewQueue(db, drawer, false)
	if err != nil {
		panic(err)
	}
	page := fstest.MapFS{"index.html": {Data: []byte("<p>page")}, "assets/a-1.js": {Data: []byte("1")}, "assets/a-1.js.gz": {Data: []byte("zipped")}}
	s := httptest.NewServer((&server.Server{Store: db, Queue: q, Limits: media.Limits{PictureBytes: 1 << 20, Megapixels: 4, SoundBytes: 2 << 20, FootageBytes: 1 << 20, FootageSeconds: 10}, Page: page, Drawer: drawer}).Handler())
	defer s.Close()
	url = s.URL
	return m.Run()
}

// ask sends a request and reads the JSON of the answer.
func ask(t *testing.T, method, path string, body any) (int, map[string]any) {
	t.Helper()
	var r io.Reader
	switch b := body.(type) {
	case nil:
	case []byte:
		r = bytes.NewReader(b)
	case string:
		r = strings.NewReader(b)
	default:
		j, err := json.Marshal(b)
		if err != nil {
			t.Fatal(err)
		}
		r = bytes.NewReader(j)
	}
	req, err := http.NewRequest(method, url+path, r)
	if err != nil {
		t.Fatal(err)
	}
	answer, err := http.DefaultClient.Do(req)
	if err != nil {
		t.Fatal(err)
	}
	defer answer.Body.Close()
	var out map[string]any
	// Lists and files are not looked into here.
	_ = json.NewDecoder(answer.Body).Decode(&out)
	return answer.StatusCode, out
}

func field(out map[string]any) string {
	e, _ := out["error"].(map[string]any)
	return fmt.Sprint(e["field"], ": ", e["message"])
}

func newClip(t *testing.T) string {
	t.Helper()
	status, out := ask(t, "POST", "/api/clips", map[string]any{"name": "Test", "shape": clip.Shape{ID: "tall", W: 360, H: 640}, "rate": 30, "length": "2s"})
	if status != http.StatusCreated {
		t.Fatalf("a new clip gives %d %v", status, out)
	}
	return out["id"].(string)
}

func TestAClipOfWrongMeasuresIsRefused(t *testing.T) {
	good := func() map[string]any {
		return map[string]any{"name": "Test", "shape": map[string]any{"id": "tall", "w": 360, "h": 640}, "rate": 30, "length": "2s"}
	}
	for want, change := range map[string]func(map[string]any){
		"length": func(m map[string]any) { m["length"] = "0" }, "length: ": func(m map[string]any) { m["length"] = "soon" },
		"rate": func(m map[string]any) { m["rate"] = 29 }, "name": func(m map[string]any) { m["name"] = "  " },
		"shapes[0]": func(m map[string]any) { m["shape"] = map[string]any{"id": "tall", "w": 361, "h": 640} },
		"tempo":     func(m map[string]any) { m["tempo"] = 1e9 }, "wings": func(m map[string]any) { m["wings"] = 2 },
	} {
		body := good()
		change(body)
		status, out := ask(t, "POST", "/api/clips", body)
		if status != http.StatusUnprocessableEntity || !strings.HasPrefix(field(out), strings.TrimSuffix(want, ": ")) {
			t.Errorf("%s: %d %s", want, status, field(out))
		}
	}
}

func TestAFormIsReadWhileItIsWritten(t *testing.T) {
	status, out := ask(t, "GET", "/api/form?ratio=4:5&w=1080&length=8&rate=30&tempo=120", nil)
	if want := "map[h:1350 ratio:4:5 w:1080]"; status != http.StatusOK || fmt.Sprint(out["shape"]) != want {
		t.Errorf("the shape is %d %v, want %s", status, out["shape"], want)
	}
	if want := "map[frames:8 offer:8s00f says:8 frames, 0s08f]"; fmt.Sprint(out["length"]) != want {
		t.Errorf("the length is %v, want %s", out["length"], want)
	}
	if _, out = ask(t, "GET", "/api/form?ratio=wide&w=1080&length=soon", nil); !strings.Contains(fmt.Sprint(out), "is not a ratio") || !strings.Contains(fmt.Sprint(out), "is not a length") {
		t.Errorf("nonsense is read as %v", out)
	}
	if status, out = ask(t, "GET", "/api/form?w=many", nil); status != http.StatusUnprocessableEntity {
		t.Errorf("a width in letters gives %d %v", status, out)
	}
}

// sent is the body of a post of commands, each with a new ID.
func sent(after int, commands ...string) string {
	var list []string
	for _, c := range commands {
		list = append(list, `{"id":"`+store.NewID()+`","command":`+c+`}`)
	}
	return fmt.Sprintf(`{"after":%d,"commands":[%s]}`, after, strings.Join(list, ","))
}

// refusals are the reasons for which commands were not taken, "" for those that
// were.
func refusals(out map[string]any) []string {
	var list []string
	results, _ := out["results"].([]any)
	for _, r := range results {
		refused, _ := r.(map[string]any)["refused"].(map[string]any)
		if refused == nil {
			list = append(list, "")
			continue
		}
		list = append(list, fmt.Sprint(refused["field"], ": ", refused["message"]))
	}
	return list
}

func TestCommandsAreStoredWithRevisions(t *testing.T) {
	id := newClip(t)
	post := func(after int, commands ...string) (int, map[string]any) {
		return ask(t, "POST", "/api/clips/"+id+"/commands", sent(after, commands...))
	}
	if status, out := post(1, `{"type":"setClip","name":"One"}`, `{"type":"setClip","name":"Two"}`); status != 200 || out["revision"] != 3.0 {
		t.Fatalf("two commands give %d %v", status, out)
	}
	status, out := post(1, `{"type":"setClip","name":"Late"}`)
	if missing, _ := out["missing"].([]any); status != 200 || out["revision"] != 4.0 || len(missing) != 2 {
		t.Errorf("who knows revision 1 only is told %d %v", status, out)
	}
	for _, bad := range []string{`{"type":"setLight","set":{"height":1e999}}`, `{"type":"setClip","length":0}`, `{}`, `null`, `[]`, `5`} {
		if status, out := post(4, bad); status != 200 || out["revision"] != 4.0 || len(refusals(out)) != 1 || refusals(out)[0] == "" {
			t.Errorf("%s gives %d %v", bad, status, out)
		}
	}
	for _, bad := range []string{`[[[[`, `{"after":4}`, `{"after":4,"commands":[{"id":"x","command":{}}]}`, `{"after":4,"commands":[NaN]}`, `null`} {
		if status, out := ask(t, "POST", "/api/clips/"+id+"/commands", bad); status != http.StatusUnprocessableEntity {
			t.Errorf("%s gives %d %v", bad, status, out)
		}
	}
	if status, out := ask(t, "POST", "/api/clips/"+id+"/restore", `{"revision":2,"after":4,"id":"restore-it"}`); status != 200 || out["revision"] != 5.0 {
		t.Errorf("restoring gives %d %v", status, out)
	}
	if _, got := ask(t, "GET", "/api/clips/"+id, nil); got["clip"].(map[string]any)["name"] != "One" || got["revision"] != 5.0 {
		t.Error("revision 2 did not come back")
	}
	if status, out := ask(t, "GET", "/api/clips/"+id+"/commands?after=4", nil); status != 200 || len(out["missing"].([]any)) != 1 {
		t.Errorf("what came after 4 is %d %v", status, out)
	}
	if status, _ := ask(t, "GET", "/api/clips/"+id+"/commands?after=soon", nil); status != 422 {
		t.Errorf("a word for a revision gives %d", status)
	}
}

// What a person may do wrong with motion is refused by the server with the field
// and the reason, and the clip stays as it was.
func TestWrongMotionIsRefusedWithAReason(t *testing.T) {
	id := newClip(t)
	post := func(after int, commands ...string) (int, map[string]any) {
		return ask(t, "POST", "/api/clips/"+id+"/commands", sent(after, commands...))
	}
	disc := func(id string) string {
		return `{"type":"addLayer","layer":{"id":"` + id + `","name":"` + id + `","kind":"card","from":0,"to":null,"rest":{"pin":"centre","x":0,"y":0,"size":100,"turn":0},
			"lift":0,"blend":"normal","tracks":{},"card":{"form":"disc","aspect":1,"fill":"#dd4f28","outline":"#173f47"}}}`
	}
	status, out := post(1, disc("one"), disc("two"), `{"type":"groupLayers","layers":["one"],"id":"g","name":"G"}`)
	if status != 200 {
		t.Fatalf("making layers gives %d %v", status, out)
	}
	now := int(out["revision"].(float64))
	var many []string
	for i := range 10000 {
		many = append(many, fmt.Sprintf(`{"property":"opacity","after":%d,"key":{"at":0,"value":[1],"ease":{"kind":"linear"}}}`, i%40))
	}
	for bad, says := range map[string]string{
		`{"type":"setLayer","layer":"one","set":{"follow":{"layer":"one","position":true}}}`:                                     "circle",
		`{"type":"intoGroup","layers":["g"],"group":"g"}`:                                                                        "contain itself",
		`{"type":"stagger","layers":["one","two"],"by":5000,"order":"stack","ease":{}}`:                                          "stagger by less",
		`{"type":"setMove","layer":"two","move":{"kind":"gust","at":0,"length":99999,"turn":0,"strength":100}}`:                  "outside the clip",
		`{"type":"swapPicture","layer":"one","prop":"x"}`:                                                                        "no cut-out",
		`{"type":"pasteKeys","layer":"two","at":900000,"keys":[` + strings.Join(many, ",") + `]}`:                                "outside the clip",
		`{"type":"setKey","layer":"g","property":"time","key":{"at":0,"value":[1e9],"ease":{"kind":"linear"}}}`:                  "lies between",
		`{"type":"setLineup","layer":"g","lineup":{"slots":[],"hero":0,"items":[],"start":0,"stay":1,"change":1}}`:               "slots",
		`{"type":"setLayer","layer":"g","set":{"inside":{"speed":-1}}}`:                                                          "lies between",
		`{"type":"setKey","layer":"two","property":"position","key":{"at":0,"value":[0,0],"off":"up","ease":{"kind":"linear"}}}`: "just outside",
	} {
		status, out := post(now, bad)
		if got := refusals(out); status != 200 || len(got) != 1 || !strings.Contains(got[0], says) {
			t.Errorf("%.90s gives %d %v", bad, status, out)
		}
	}
	if _, got := ask(t, "GET", "/api/clips/"+id, nil); got["revision"] != float64(now) {
		t.Error("something of what was refused was kept")
	}
}

func picture(t *testing.T) []byte {
	t.Helper()
	m := image.NewNRGBA(image.Rect(0, 0, 40, 30))
	for x := 10; x < 30; x++ {
		m.SetNRGBA(x, 15, color.NRGBA{200, 10, 10, 255})
	}
	var b bytes.Buffer
	if err := png.Encode(&b, m); err != nil {
		t.Fatal(err)
	}
	return b.Bytes()
}

func TestUploadsAreCheckedByContent(t *testing.T) {
	whole := picture(t)
	silent := media.WAV(make([]float32, 2*48000*2))
	upload := func(name string, b []byte) (int, map[string]any) { return ask(t, "POST", "/api/props?name="+name, b) }
	for name, b := range map[string][]byte{
		"empty.png": {}, "text.png": []byte("words"), "cut.png": whole[:len(whole)-20], "large.png": append(whole, make([]byte, 2<<20)...),
		"huge.wav": make([]byte, 3<<20), "short.wav": media.WAV(make([]float32, 2000)), "../../odd.png": []byte("x"),
	} {
		status, out := upload(name, b)
		short := name[strings.LastIndex(name, "/")+1:]
		if status != http.StatusUnprocessableEntity || !strings.Contains(field(out), short) {
			t.Errorf("%s: %d %s", name, status, field(out))
		}
	}
	status, out := upload("mug.jpg", whole)
	if status != http.StatusCreated || out["media"] != "image/png" || fmt.Sprint(out["picture"].(map[string]any)["visible"]) != "[10 15 30 16]" {
		t.Fatalf("a good picture gives %d %v", status, out)
	}
	if status, out := upload("still.wav", silent); status != http.StatusCreated || out["sound"].(map[string]any)["steady"] != false {
		t.Errorf("a silent tune gives %d", status)
	}
	// A download can start anywhere.
	req, err := http.NewRequest("GET", url+"/api/files/"+out["hash"].(string), nil)
	if err != nil {
		t.Fatal(err)
	}
	req.Header.Set("Range", "bytes=5-9")
	answer, err := http.DefaultClient.Do(req)
	if err != nil {
		t.Fatal(err)
	}
	defer answer.Body.Close()
	b, err := io.ReadAll(answer.Body)
	if err != nil || answer.StatusCode != http.StatusPartialContent || !bytes.Equal(b, whole[5:10]) {
		t.Errorf("a range gives %d %q", answer.StatusCode, b)
	}
}

func TestAFileOfManyChunksReadsBackFromAnywhere(t *testing.T) {
	rng := rand.New(rand.NewSource(9))
	b := make([]byte, 3<<20+12345)
	rng.Read(b)
	if err := db.PutFile(t.Context(), media.Hash(b), "x/y", bytes.NewReader(b)); err != nil {
		t.Fatal(err)
	}
	f, err := db.OpenFile(t.Context(), media.Hash(b))
	if err != nil {
		t.Fatal(err)
	}
	for range 20 {
		at := rng.Intn(len(b) - 10)
		if _, err := f.Seek(int64(at), io.SeekStart); err != nil {
			t.Fatal(err)
		}
		n := min(rng.Intn(1<<21), len(b)-at)
		got := make([]byte, n)
		if _, err := io.ReadFull(f, got); err != nil || !bytes.Equal(got, b[at:at+n]) {
			t.Fatalf("%d bytes from %d differ (%v)", n, at, err)
		}
	}
}

func TestBundlesGoOutAndComeBack(t *testing.T) {
	id := newClip(t)
	answer, err := http.Get(url + "/api/clips/" + id + "/bundle.zip")
	if err != nil {
		t.Fatal(err)
	}
	defer answer.Body.Close()
	b, err := io.ReadAll(answer.Body)
	if err != nil {
		t.Fatal(err)
	}
	status, out := ask(t, "POST", "/api/bundles", b)
	if status != http.StatusCreated {
		t.Fatalf("importing gives %d %v", status, out)
	}
	first, _ := db.State(t.Context(), id)
	second, err := db.State(t.Context(), out["id"].(string))
	if err != nil || !bytes.Equal(first.Clip.Encode(), second.Clip.Encode()) {
		t.Errorf("the imported clip differs (%v)", err)
	}
	if status, out := ask(t, "POST", "/api/bundles", b[:len(b)/2]); status != 422 {
		t.Errorf("half a bundle gives %d %s", status, field(out))
	}
}

func TestExportsThatCannotBeAreRefused(t *testing.T) {
	id := newClip(t)
	for _, shapes := range []string{`[]`, `["round"]`, `["tall","tall"]`, `["9:16"]`} {
		if status, out := ask(t, "POST", "/api/clips/"+id+"/exports", `{"shapes":`+shapes+`}`); status != 422 {
			t.Errorf("%s gives %d %s", shapes, status, field(out))
		}
	}
	if status, _ := ask(t, "POST", "/api/clips/nobody/exports", `{"shapes":["tall"]}`); status != 404 {
		t.Errorf("a clip that is not there gives %d", status)
	}
}

func TestThePageIsServedSafely(t *testing.T) {
	req, err := http.NewRequest("GET", url+"/assets/a-1.js", nil)
	if err != nil {
		t.Fatal(err)
	}
	req.Header.Set("Accept-Encoding", "gzip")
	answer, err := http.DefaultTransport.RoundTrip(req)
	if err != nil {
		t.Fatal(err)
	}
	defer answer.Body.Close()
	if answer.Header.Get("Content-Encoding") != "gzip" || !strings.Contains(answer.Header.Get("Cache-Control"), "immutable") {
		t.Errorf("the headers are %v", answer.Header)
	}
	if csp := answer.Header.Get("Content-Security-Policy"); !strings.Contains(csp, "default-src 'none'") || strings.Contains(csp, "'unsafe-eval'") {
		t.Errorf("the policy is %s", csp)
	}
	// Another site's page must not post here.
	req, err = http.NewRequest("POST", url+"/api/clips", strings.NewReader("{}"))
	if err != nil {
		t.Fatal(err)
	}
	req.Header.Set("Sec-Fetch-Site", "cross-site")
	cross, err := http.DefaultClient.Do(req)
	if err != nil {
		t.Fatal(err)
	}
	defer cross.Body.Close()
	if cross.StatusCode != http.StatusForbidden {
		t.Errorf("a request from another site gives %d", cross.StatusCode)
	}
	for path, want := range map[string]int{"/": 200, "/clips/x": 200, "/assets/../../etc/passwd.txt": 404, "/api/nothing": 404, "/healthz": 200} {
		if status, _ := ask(t, "GET", path, nil); status != want {
			t.Errorf("%s gives %d, want %d", path, status, want)
		}
	}
}

func TestADatabaseThatIsGoneForAMomentLosesNothing(t *testing.T) {
	id := newClip(t)
	// Every connection is cut; the pool makes new ones.
	if _, err := db.Pool.Exec(t.Context(), `SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE pid <> pg_backend_pid() AND usename = current_user AND backend_type = 'client backend'`); err != nil {
		t.Fatal(err)
	}
	deadline := time.Now().Add(20 * time.Second)
	for {
		status, out := ask(t, "POST", "/api/clips/"+id+"/commands", `{"after":1,"commands":[{"id":"the-same-id","command":{"type":"setClip","name":"After"}}]}`)
		if status == 200 {
			break
		}
		if status != http.StatusServiceUnavailable || time.Now().After(deadline) {
			t.Fatalf("meanwhile the server answers %d %v", status, out)
		}
	}
	if status, out := ask(t, "GET", "/api/clips/"+id, nil); status != 200 || math.Round(out["revision"].(float64)) != 2 {
		t.Errorf("afterwards: %d %v", status, out["revision"])
	}
}

// NUL and broken UTF-8, wherever they stand, are a person's mistake and not the
// database's.
func TestWhatIsNoTextIsRefused(t *testing.T) {
	id := newClip(t)
	body := func(name string) string {
		return `{"name":"` + name + `","shape":{"id":"tall","w":360,"h":640},"rate":30,"length":"2s"}`
	}
	if status, out := ask(t, "POST", "/api/clips", body(`a\u0000b`)); status != 422 || !strings.HasPrefix(field(out), "name") {
		t.Errorf("NUL in a name gives %d %s", status, field(out))
	}
	if status, out := ask(t, "POST", "/api/clips", body("a\xffb")); status != 201 {
		t.Errorf("broken UTF-8 in a name gives %d %s", status, field(out))
	}
	if status, out := ask(t, "POST", "/api/clips/"+id+"/commands", sent(1, `{"type":"setClip","name":"a\u0000b"}`)); status != 200 || !strings.HasPrefix(refusals(out)[0], "name") {
		t.Errorf("NUL in a new name gives %d %v", status, out)
	}
	for _, path := range []string{"/api/clips/%00", "/api/clips/%ff%fe", "/api/files/%00/sound", "/api/clips/a%00/commands?after=1", "/api/exports/%00/%00.mp4"} {
		if status, out := ask(t, "GET", path, nil); status != 404 {
			t.Errorf("%s gives %d %v", path, status, out)
		}
	}
	status, out := ask(t, "POST", "/api/props?name=%00mu%ffg"+strings.Repeat("x", 5000)+".png", picture(t))
	if name, _ := out["name"].(string); status != 201 || strings.ContainsRune(name, 0) || len([]rune(name)) > 120 {
		t.Errorf("an odd name of a file gives %d %v", status, out)
	}
}

// Without ffmpeg, whatever needs it says the same.
func TestWithoutFFmpegAllSayTheSame(t *testing.T) {
	tune := media.WAV(make([]float32, 2*48000*2))
	if err := db.PutFile(t.Context(), media.Hash(tune), "audio/wav", bytes.NewReader(tune)); err != nil {
		t.Fatal(err)
	}
	t.Setenv("PATH", t.TempDir())
	for path, body := range map[string][]byte{"POST /api/props?name=tune.wav": tune, "GET /api/files/" + media.Hash(tune) + "/sound": nil} {
		method, path, _ := strings.Cut(path, " ")
		if status, out := ask(t, method, path, body); status != http.StatusServiceUnavailable || !strings.Contains(field(out), "apt-get install ffmpeg") {
			t.Errorf("%s gives %d %v", path, status, out)
		}
	}
}

// Lists and clips go over the wire packed to whoever takes that, and say the same.
func TestAnswersArePacked(t *testing.T) {
	newClip(t)
	get := func(encoding string) (string, []byte) {
		r, err := http.NewRequestWithContext(t.Context(), http.MethodGet, url+"/api/clips", nil)
		if err != nil {
			t.Fatal(err)
		}
		r.Header.Set("Accept-Encoding", encoding)
		a, err := http.DefaultTransport.RoundTrip(r)
		if err != nil {
			t.Fatal(err)
		}
		defer a.Body.Close()
		b, err := io.ReadAll(a.Body)
		if err != nil {
			t.Fatal(err)
		}
		return a.Header.Get("Content-Encoding"), b
	}
	_, plain := get("identity")
	how, packed := get("gzip")
	z, err := gzip.NewReader(bytes.NewReader(packed))
	if how != "gzip" || err != nil {
		t.Fatalf("it came as %q: %v", how, err)
	}
	if got, err := io.ReadAll(z); err != nil || string(got) != string(plain) {
		t.Errorf("unpacked it is %d bytes, plain %d: %v", len(got), len(plain), err)
	}
}
