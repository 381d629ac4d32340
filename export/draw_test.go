package export

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"image/png"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"testing"
	"time"

	"billow/core/clip"
)

func TestMain(m *testing.M) {
	DrawIfAsked()
	os.Exit(m.Run())
}

// job draws a plain clip, for which no database is asked.
func job(c *clip.Clip, video bool) Job {
	s := c.Shapes[0]
	return Job{Database: "postgres://nobody@127.0.0.1:1/none", Clip: json.RawMessage(c.Encode()), Shape: s.ID, Video: video, W: s.W, H: s.H}
}

// script is a program that does what it says.
func script(t *testing.T, name, says string) string {
	t.Helper()
	file := filepath.Join(t.TempDir(), name)
	if err := os.WriteFile(file, []byte("#!/bin/sh\n"+says+"\n"), 0o755); err != nil {
		t.Fatal(err)
	}
	return file
}

func TestDrawingInAProcessOfItsOwn(t *testing.T) {
	c, _, _ := fading(t, 30)
	last := 0
	d, err := (&Drawer{}).Draw(t.Context(), job(c, true), func(n int) { last = n })
	if err != nil {
		t.Fatal(err)
	}
	defer d.Close()
	m, err := png.Decode(d.Still)
	if err != nil || m.Bounds().Dx() != 64 {
		t.Errorf("the still is %v (%v)", m, err)
	}
	probe := exec.Command("ffprobe", "-v", "error", "-count_frames", "-show_entries", "stream=nb_read_frames", "-of", "csv=p=0", "-i", "/dev/stdin")
	probe.Stdin = d.Video
	if out, err := probe.Output(); err != nil || strings.TrimSpace(string(out)) != "30" {
		t.Errorf("the video has %q frames (%v)", out, err)
	}
	if last > 30 {
		t.Errorf("%d frames are said to be done", last)
	}
}

// Whatever happens to the process, a sentence comes of it, and whether it is
// worth trying again.
func TestAFailingProcessFailsOnePictureOnly(t *testing.T) {
	c, _, _ := fading(t, 30)
	bad := job(c, false)
	bad.Shape = "round"
	large := clip.New("Large", clip.Shape{ID: "tall", W: 4096, H: 4096}, 30, 30)
	for name, k := range map[string]struct {
		drawer Drawer
		job    Job
		says   string
		final  bool
	}{
		"a wrong job":      {Drawer{}, bad, "no shape", true},
		"a panic":          {Drawer{Program: script(t, "p", `echo "panic: index out of range" >&2; exit 2`)}, job(c, false), "went wrong in Billow itself", false},
		"a kill":           {Drawer{Program: script(t, "k", `kill -9 $$`)}, job(c, false), "ended from outside", false},
		"silence":          {Drawer{Program: script(t, "s", `exec sleep 60`), Silence: 200 * time.Millisecond}, job(c, false), "got nowhere", false},
		"half a report":    {Drawer{Program: script(t, "h", `echo '{"done":3}'; echo '{"wh'`)}, job(c, false), "ended from outside", false},
		"too little room":  {Drawer{Memory: 64 << 20}, job(large, true), "more than 64 MB of memory", false},
		"nothing to start": {Drawer{Program: "/nowhere/at/all"}, job(c, false), "no such file", false},
	} {
		t.Run(name, func(t *testing.T) {
			_, err := k.drawer.Draw(t.Context(), k.job, func(int) {})
			var final FinalError
			if err == nil || !strings.Contains(err.Error(), k.says) || errors.As(err, &final) != k.final {
				t.Errorf("the error is %v (%T), want one that says %q", err, err, k.says)
			}
		})
	}
}

// encoder puts a program in the place of ffmpeg.
func encoder(t *testing.T, does string) {
	t.Helper()
	dir := filepath.Dir(script(t, "ffmpeg", does))
	t.Setenv("PATH", dir+":"+os.Getenv("PATH"))
}

func TestAKilledEncoderIsToldInASentence(t *testing.T) {
	encoder(t, "kill -9 $$")
	c, _, _ := fading(t, 30)
	_, err := (&Drawer{}).Draw(t.Context(), job(c, true), func(int) {})
	if err == nil || err.Error() != "the encoder ended before the clip was done" {
		t.Errorf("the error is %v", err)
	}
}

// Ending the drawing ends everything that it has started.
func TestACancelledDrawingLeavesNoProcess(t *testing.T) {
	pids := filepath.Join(t.TempDir(), "pids")
	encoder(t, fmt.Sprintf("echo $$ > %s.new; mv %s.new %s; exec sleep 600", pids, pids, pids))
	c, _, _ := fading(t, 30)
	ctx, cancel := context.WithCancel(t.Context())
	defer cancel()
	go func() {
		for ctx.Err() == nil {
			if _, err := os.Stat(pids); err == nil {
				cancel()
			}
		}
	}()
	if _, err := (&Drawer{}).Draw(ctx, job(c, true), func(int) {}); !errors.Is(err, context.Canceled) {
		t.Fatalf("the error is %v", err)
	}
	b, err := os.ReadFile(pids)
	if err != nil {
		t.Fatal(err)
	}
	for end := time.Now().Add(20 * time.Second); ; {
		line, err := os.ReadFile("/proc/" + strings.TrimSpace(string(b)) + "/cmdline")
		if err != nil || len(line) == 0 {
			return
		}
		if time.Now().After(end) {
			t.Fatalf("the encoder still runs: %q", line)
		}
	}
}

func TestAFullDiskIsSaidAsSuch(t *testing.T) {
	encoder(t, `echo "av_interleaved_write_frame(): No space left on device" >&2; exit 1`)
	c, _, _ := fading(t, 30)
	_, err := (&Drawer{}).Draw(t.Context(), job(c, true), func(int) {})
	if err == nil || err.Error() != "the disk is full; free some space and export again" {
		t.Errorf("the error is %v", err)
	}
}
