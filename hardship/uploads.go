package hardship

import (
	"archive/zip"
	"bytes"
	"context"
	"crypto/sha256"
	"encoding/hex"
	"fmt"
	"os"
	"os/exec"
	"path/filepath"
	"strconv"
	"strings"
	"sync"
	"sync/atomic"
	"time"

	"billow/core/clip"
)

// Uploads is what became of hostile files that were all sent at once.
type Uploads struct {
	Files            int
	Taken, Refused   int
	Unanswered       int // neither a prop nor a sentence
	Killed           bool
	Peak             int64 // bytes that the server had in memory at most
	PeakAll          int64 // with all programs that it had started, without the database
	Edits            int
	EditP50, EditP95 time.Duration
	Took             time.Duration
	Answers          map[string]int
}

// HostileUploads sends files that take much memory, with pictures of so many
// pixels a side, to a server that may have so many bytes, all at once, while
// people go on editing.
func HostileUploads(ctx context.Context, binary string, side, count int, memory int64) (r Uploads, err error) {
	files, err := hostile(ctx, side)
	if err != nil {
		return r, err
	}
	defer os.RemoveAll(filepath.Dir(files[0]))
	b, id, stop, err := running(ctx, binary, []string{fmt.Sprintf("GOMEMLIMIT=%d", memory/2)}, "--reading-mb", strconv.FormatInt(memory>>22, 10))
	if err != nil {
		return r, err
	}
	defer stop()
	busy, done := context.WithCancel(ctx)
	watched := make(chan struct{})
	go func() { r.watch(busy, b, memory); close(watched) }()
	var people sync.WaitGroup
	var mu sync.Mutex
	var waits []time.Duration
	for range 5 {
		people.Go(func() {
			e := &editor{b: b, clip: id, revision: 2}
			for busy.Err() == nil {
				began := time.Now()
				if e.make(busy, pushRight) == nil {
					mu.Lock()
					waits = append(waits, time.Since(began))
					mu.Unlock()
				}
				select {
				case <-time.After(200 * time.Millisecond):
				case <-busy.Done():
				}
			}
		})
	}
	began := time.Now()
	r.send(ctx, b, files, count)
	r.Took = time.Since(began)
	done()
	people.Wait()
	<-watched
	r.Edits = len(waits)
	r.EditP50, r.EditP95, _, _ = quantiles(waits)
	r.Killed = r.Killed || !alive(ctx, b)
	return r, nil
}

// alive tells whether a server answers. Right after it has read much, a busy machine
// may take its time.
func alive(ctx context.Context, b *Billow) bool {
	ctx, cancel := context.WithTimeout(ctx, 20*time.Second)
	defer cancel()
	for {
		if _, err := b.ask(ctx, "GET", "/healthz", nil, nil); err == nil {
			return true
		}
		select {
		case <-time.After(200 * time.Millisecond):
		case <-ctx.Done():
			return false
		}
	}
}

// send sends all files at once and sorts the answers.
func (r *Uploads) send(ctx context.Context, b *Billow, files []string, count int) {
	r.Files, r.Answers = count, map[string]int{}
	var all sync.WaitGroup
	var mu sync.Mutex
	for i := range count {
		file := files[i%len(files)]
		all.Go(func() {
			f, err := os.Open(file)
			if err != nil {
				return
			}
			defer f.Close()
			path := "/api/props?name=" + filepath.Base(file)
			if strings.HasSuffix(file, ".zip") {
				path = "/api/bundles"
			}
			status, err := b.ask(ctx, "POST", path, f, nil)
			mu.Lock()
			defer mu.Unlock()
			says := "taken"
			switch {
			case err == nil:
				r.Taken++
			case status >= 400 && strings.Contains(err.Error(), `"message"`):
				r.Refused++
				_, says, _ = strings.Cut(err.Error(), `"message":"`)
				says, _, _ = strings.Cut(says, `","field"`)
			default:
				r.Unanswered++
				says = err.Error()
			}
			r.Answers[filepath.Base(file)+": "+says]++
		})
	}
	all.Wait()
}

// watch looks at the memory of the server and of what it has started, and ends
// the server, as a machine would, when they take more than they may.
func (r *Uploads) watch(ctx context.Context, b *Billow, memory int64) {
	tick := time.NewTicker(10 * time.Millisecond)
	defer tick.Stop()
	var ended atomic.Bool
	for {
		select {
		case <-ctx.Done():
			return
		case <-tick.C:
		}
		own := resident(b.Pid())
		all := own + below(b.Pid())
		r.Peak, r.PeakAll = max(r.Peak, own), max(r.PeakAll, all)
		if all > memory && ended.CompareAndSwap(false, true) {
			r.Killed = true
			b.Kill()
			return
		}
	}
}

// below is the memory of what a process has started, but for the database.
func below(pid int) (total int64) {
	for _, child := range children(pid) {
		comm, _ := os.ReadFile(fmt.Sprintf("/proc/%d/comm", child)) // it may just have ended
		if strings.TrimSpace(string(comm)) != "postgres" {
			total += resident(child) + below(child)
		}
	}
	return total
}

// resident is how many bytes of a process are in memory.
func resident(pid int) int64 {
	b, err := os.ReadFile(fmt.Sprintf("/proc/%d/statm", pid))
	if err != nil {
		return 0
	}
	f := strings.Fields(string(b))
	pages, err := strconv.ParseInt(f[1], 10, 64)
	if err != nil {
		return 0
	}
	return pages * int64(os.Getpagesize())
}

// hostile makes files that are small and take much: pictures of so many pixels
// a side, a tune of twenty minutes, bundles.
func hostile(ctx context.Context, side int) ([]string, error) {
	dir, err := os.MkdirTemp("", "billow-hostile-")
	if err != nil {
		return nil, err
	}
	at := func(name string) string { return filepath.Join(dir, name) }
	for _, call := range []string{
		fmt.Sprintf("vips grey %s %d %d --uchar", at("a.v"), side, side),
		"vips bandjoin_const " + at("a.v") + " " + at("b.v") + " 255",
		"vips copy " + at("b.v") + " " + at("large.png") + "[compression=1]",
		"vips copy " + at("b.v") + " " + at("interlaced.png") + "[interlace,compression=1]",
		"vips copy " + at("a.v") + " " + at("progressive.jpg") + "[interlace,Q=60]",
		"vips copy " + at("a.v") + " " + at("large.webp") + "[Q=30,effort=0]",
		"vips copy " + at("a.v") + " " + at("large.gif"),
		"ffmpeg -loglevel error -f lavfi -i anullsrc=r=48000 -t 1200 " + at("silence.flac"),
	} {
		args := strings.Fields(call)
		if out, err := exec.CommandContext(ctx, args[0], args[1:]...).CombinedOutput(); err != nil {
			return nil, fmt.Errorf("%s: %w: %s", call, err, out)
		}
	}
	whole, err := os.ReadFile(at("large.png"))
	if err != nil {
		return nil, err
	}
	out := []string{at("large.png"), at("interlaced.png"), at("progressive.jpg"), at("large.webp"), at("silence.flac"), at("cut.png"), at("zeros.zip"), at("fourteen.zip"), at("large.gif")}
	if err := os.WriteFile(at("cut.png"), whole[:len(whole)*9/10], 0o600); err != nil {
		return nil, err
	}
	if err := zeros(at("zeros.zip")); err != nil {
		return nil, err
	}
	return out, fourteen(at("fourteen.zip"), side, whole)
}

// zeros is a zip of a gigabyte of nothing.
func zeros(name string) error {
	return zipped(name, func(z *zip.Writer) error {
		w, err := z.Create("files/" + strings.Repeat("0", 64) + ".png")
		if err != nil {
			return err
		}
		for range 1024 {
			if _, err := w.Write(make([]byte, 1<<20)); err != nil {
				return err
			}
		}
		return nil
	})
}

// fourteen is a bundle whose clip shows fourteen huge pictures.
func fourteen(name string, side int, picture []byte) error {
	return zipped(name, func(z *zip.Writer) error {
		tall, _ := clip.StandardShape("tall")
		c := clip.New("Fourteen", tall, 30, 30)
		for i := range 14 {
			// The same pixels in a file of another hash.
			file := append(bytes.Clone(picture), byte(i))
			sum := sha256.Sum256(file)
			id := fmt.Sprintf("p%d", i)
			c.Props = append(c.Props, clip.Prop{ID: id, Name: id, Kind: clip.KindCutout, Hash: hex.EncodeToString(sum[:]), Media: "text/html",
				Picture: &clip.Picture{W: side, H: side, Visible: [4]int{0, 0, side, side}}})
			w, err := z.Create("files/" + c.Props[i].Hash + ".png")
			if err != nil {
				return err
			}
			if _, err := w.Write(file); err != nil {
				return err
			}
		}
		w, err := z.Create("clip.json")
		if err != nil {
			return err
		}
		_, err = w.Write(c.Encode())
		return err
	})
}

func zipped(name string, fill func(z *zip.Writer) error) error {
	f, err := os.Create(name)
	if err != nil {
		return err
	}
	defer f.Close()
	z := zip.NewWriter(f)
	if err := fill(z); err != nil {
		return err
	}
	return z.Close()
}
