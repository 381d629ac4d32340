package main

import (
	"bufio"
	"context"
	"errors"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"syscall"
	"testing"
	"time"

	"billow/core/clip"
	"billow/export"
	"billow/media"
	"billow/store"
	"billow/store/local"
)

// database is one that workers can be started for.
func database(t *testing.T) *store.Store {
	t.Helper()
	dir, err := os.MkdirTemp("", "billow-work-")
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = os.RemoveAll(dir) })
	pg, err := local.Start(context.Background(), dir)
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(pg.Stop)
	s, err := store.Open(context.Background(), pg.URL)
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(s.Close)
	return s
}

// A worker that is killed in the middle leaves no half file; another one takes
// its export up again.
func TestAKilledWorkersExportIsTakenUpAgain(t *testing.T) {
	ctx, s := context.Background(), database(t)
	b, end, err := openBundle(filepath.Join(sample, "lantern-weekend.zip"))
	if err != nil {
		t.Fatal(err)
	}
	defer end()
	keep := func(p clip.Prop, kept *media.Spool) error { return s.Keep(ctx, p, kept.Again(), kept.Coarse) }
	if err := errors.Join(b.Intake(ctx, media.DefaultLimits(), keep), s.CreateClip(ctx, "c", b.Clip, "")); err != nil {
		t.Fatal(err)
	}
	q, err := export.NewQueue(s, &export.Drawer{}, false)
	if err != nil {
		t.Fatal(err)
	}
	if err := q.Add(ctx, "e", "c", 1, b.Clip, []string{"square"}, true); err != nil {
		t.Fatal(err)
	}
	temp := t.TempDir()
	worker := func() *exec.Cmd {
		cmd := exec.Command(binary, "work")
		cmd.Env = append(os.Environ(), "DATABASE_URL="+s.URL, "TMPDIR="+temp)
		if err := cmd.Start(); err != nil {
			t.Fatal(err)
		}
		return cmd
	}
	first := worker()
	until(t, s, "e", "the first worker draws", func(p store.Part) bool { return p.State == "running" && p.Done > 5 })
	if err := first.Process.Kill(); err != nil {
		t.Fatal(err)
	}
	_ = first.Wait() // it was killed; that is its error
	second := worker()
	defer func() { _ = second.Process.Kill(); _ = second.Wait() }()
	p := until(t, s, "e", "the second worker finishes", func(p store.Part) bool { return p.State == "done" })
	if p.Attempt != 2 || p.Video == nil {
		t.Errorf("the part is %+v", p)
	}
	if left, _ := os.ReadDir(temp); len(left) > 0 {
		t.Errorf("%s was left behind", left[0].Name())
	}
}

// until waits until a part is as wanted.
func until(t *testing.T, s *store.Store, e, what string, ok func(store.Part) bool) store.Part {
	t.Helper()
	tick := time.NewTicker(50 * time.Millisecond)
	defer tick.Stop()
	for end := time.After(3 * time.Minute); ; {
		p, err := s.Part(context.Background(), e, "square")
		if err != nil {
			t.Fatal(err)
		}
		if ok(p) {
			return p
		}
		select {
		case <-tick.C:
		case <-end:
			t.Fatalf("waiting until %s; the part is %+v", what, p)
		}
	}
}

// Beside a running server commands use its database; a second server is told
// why it cannot.
func TestCommandsWorkBesideAServer(t *testing.T) {
	dir, err := os.MkdirTemp("", "billow-beside-")
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = os.RemoveAll(dir) })
	cmd := exec.Command(binary, "serve", "--listen", "127.0.0.1:0", "--data", dir)
	out, err := cmd.StdoutPipe()
	if err != nil {
		t.Fatal(err)
	}
	if err := cmd.Start(); err != nil {
		t.Fatal(err)
	}
	line, err := bufio.NewReader(out).ReadString('\n')
	if err != nil || !strings.Contains(line, "http://127.0.0.1:") {
		t.Fatalf("it says %q (%v)", line, err)
	}
	lines, problems, code := billow(t, "import", filepath.Join(sample, "morning-mug.zip"), "--data", dir)
	id, _, _ := strings.Cut(lines, " ")
	if code != 0 || len(id) != 16 {
		t.Fatalf("importing gives %d %q %q", code, lines, problems)
	}
	if _, problems, code := billow(t, "bundle", id, "--data", dir, "--out", filepath.Join(t.TempDir(), "b.zip")); code != 0 {
		t.Errorf("bundling gives %d %s", code, problems)
	}
	if said, problems, code := billow(t, "tidy", "--dry-run", "--data", dir); code != 0 || !strings.HasPrefix(said, "Would remove 0 files") {
		t.Errorf("tidying gives %d %q %s", code, said, problems)
	}
	if said, problems, code := billow(t, "token", "new", "robot", "--data", dir); code != 0 || !strings.HasPrefix(said, "billow_") {
		t.Errorf("a token gives %d %q %s", code, said, problems)
	}
	if _, problems, code := billow(t, "serve", "--listen", "127.0.0.1:0", "--data", dir); code != 1 || !strings.Contains(problems, "another Billow") {
		t.Errorf("a second server gives %d %s", code, problems)
	}
	// A polite end ends all that it has started.
	if err := cmd.Process.Signal(syscall.SIGTERM); err != nil {
		t.Fatal(err)
	}
	if err := cmd.Wait(); err != nil {
		t.Errorf("ended politely, it says %v", err)
	}
	if left, _ := exec.Command("pgrep", "-f", dir).Output(); len(left) > 0 {
		t.Errorf("processes are left: %s", left)
	}
	// Reached from elsewhere it wants a pass phrase, which is not given away.
	serve := []string{"serve", "--listen", "0.0.0.0:0", "--data", dir}
	if _, problems, code := billow(t, serve...); code != 2 || !strings.Contains(problems, "billow passphrase") {
		t.Errorf("without a pass phrase it gives %d %s", code, problems)
	}
	if _, problems, code := billow(t, "serve", "--listen", "127.0.0.1:0", "--host", "shop.example", "--data", dir); code != 2 {
		t.Errorf("under another name it gives %d %s", code, problems)
	}
	for phrase, want := range map[string]int{"short": 3, "tin kettle on the fire": 0} {
		set := exec.Command(binary, "passphrase", "--data", dir)
		set.Stdin = strings.NewReader(phrase + "\n")
		if said, _ := set.CombinedOutput(); set.ProcessState.ExitCode() != want || strings.Contains(string(said), phrase) && want == 0 {
			t.Errorf("setting %q gives %d %s", phrase, set.ProcessState.ExitCode(), said)
		}
	}
}

// An encoder that is killed is started again; the third time would be the last.
func TestAKilledEncoderIsTriedAgain(t *testing.T) {
	ctx, s := context.Background(), database(t)
	c := clip.New("Plain", clip.Shape{ID: "square", W: 90, H: 90}, 30, 30)
	if err := s.CreateClip(ctx, "c", c, ""); err != nil {
		t.Fatal(err)
	}
	real, err := exec.LookPath("ffmpeg")
	if err != nil {
		t.Fatal(err)
	}
	// The first two calls of a folder end at once.
	fake := filepath.Join(t.TempDir(), "bin")
	script := "#!/bin/sh\nn=$(cat \"$TRIES\" 2>/dev/null || echo 0)\necho $((n+1)) > \"$TRIES\"\n[ \"$n\" -lt \"$FAIL\" ] && kill -9 $$\nexec " + real + " \"$@\"\n"
	if err := errors.Join(os.Mkdir(fake, 0o755), os.WriteFile(filepath.Join(fake, "ffmpeg"), []byte(script), 0o755)); err != nil {
		t.Fatal(err)
	}
	q, err := export.NewQueue(s, &export.Drawer{}, false)
	if err != nil {
		t.Fatal(err)
	}
	for fail, want := range map[string]string{"2": "done", "9": "failed"} {
		e := "e" + fail
		if err := q.Add(ctx, e, "c", 1, c, []string{"square"}, true); err != nil {
			t.Fatal(err)
		}
		cmd := exec.Command(binary, "work")
		cmd.Env = append(os.Environ(), "DATABASE_URL="+s.URL, "PATH="+fake+":"+os.Getenv("PATH"), "FAIL="+fail, "TRIES="+filepath.Join(fake, "tries"+fail))
		if err := cmd.Start(); err != nil {
			t.Fatal(err)
		}
		p := until(t, s, e, "it ends", func(p store.Part) bool { return p.State == "done" || p.State == "failed" })
		if p.State != want || want == "failed" && p.Error != "the encoder ended before the clip was done" {
			t.Errorf("killed %s times, the part is %+v", fail, p)
		}
		if tries, err := os.ReadFile(filepath.Join(fake, "tries"+fail)); err != nil || strings.TrimSpace(string(tries)) != "3" {
			t.Errorf("it was tried %s times (%v)", tries, err)
		}
		if err := cmd.Process.Signal(syscall.SIGTERM); err != nil {
			t.Fatal(err)
		}
		if err := cmd.Wait(); err != nil {
			t.Errorf("the worker ended with %v", err)
		}
	}
}
