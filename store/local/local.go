// Package local runs a private PostgreSQL on loopback from Debian's package, in
// a data folder of its own.
package local

import (
	"context"
	"crypto/rand"
	"errors"
	"fmt"
	"log/slog"
	"net"
	"os"
	"os/exec"
	"os/user"
	"path/filepath"
	"runtime"
	"slices"
	"sort"
	"strconv"
	"strings"
	"sync"
	"syscall"
	"time"

	"github.com/jackc/pgx/v5"
)

// Server is a running PostgreSQL. One that ends by itself is started again.
type Server struct {
	URL string

	start  func() *exec.Cmd
	lock   *os.File // held while this process has the folder
	data   string
	mu     sync.Mutex
	cmd    *exec.Cmd
	ended  chan struct{} // of cmd
	stop   chan struct{}
	log    *tail
	watch  sync.WaitGroup
	around string // the folder
}

// ErrInUse says that another Billow has the folder.
var ErrInUse = errors.New("another Billow is using the same data folder; stop it first, or choose another with --data")

// Start initialises the folder if it is new and starts a server on a free port
// of loopback. When run as root, the server runs as an unprivileged user, since
// PostgreSQL refuses root.
func Start(ctx context.Context, dir string) (*Server, error) {
	bin, err := binaries()
	if err != nil {
		return nil, err
	}
	dir, err = filepath.Abs(dir)
	if err != nil {
		return nil, err
	}
	attr, err := prepare(dir)
	if err != nil {
		return nil, err
	}
	lock, err := take(dir)
	if err != nil {
		return nil, err
	}
	s := &Server{lock: lock, around: dir, data: filepath.Join(dir, "postgres"), stop: make(chan struct{}), log: &tail{}}
	if err := s.begin(ctx, bin, attr); err != nil {
		s.Stop()
		return nil, err
	}
	s.watch.Go(s.keep)
	return s, nil
}

// take locks the folder for this process. The kernel gives the lock back
// however the process ends.
func take(dir string) (*os.File, error) {
	f, err := os.OpenFile(filepath.Join(dir, "lock"), os.O_CREATE|os.O_RDWR, 0o600)
	if err != nil {
		return nil, fmt.Errorf("the data folder %s cannot be used: %w", dir, err)
	}
	if err := syscall.Flock(int(f.Fd()), syscall.LOCK_EX|syscall.LOCK_NB); err != nil {
		f.Close()
		if errors.Is(err, syscall.EWOULDBLOCK) {
			return nil, ErrInUse
		}
		return nil, fmt.Errorf("the data folder %s cannot be locked: %w", dir, err)
	}
	return f, nil
}

func (s *Server) begin(ctx context.Context, bin string, attr *syscall.SysProcAttr) error {
	if err := s.outlive(ctx); err != nil {
		return err
	}
	password, err := initialise(ctx, bin, s.around, s.data, attr)
	if err != nil {
		return err
	}
	port, err := freePort()
	if err != nil {
		return err
	}
	s.URL = fmt.Sprintf("postgres://billow:%s@127.0.0.1:%d/postgres?sslmode=disable", password, port)
	s.start = func() *exec.Cmd {
		cmd := exec.Command(filepath.Join(bin, "postgres"), "-D", s.data, "-p", strconv.Itoa(port),
			"-c", "listen_addresses=127.0.0.1", "-c", "unix_socket_directories=", "-c", "shared_buffers=64MB")
		own := *attr
		own.Setpgid, own.Pdeathsig = true, syscall.SIGINT
		cmd.SysProcAttr, cmd.Stderr, cmd.Dir = &own, s.log, s.around
		return cmd
	}
	if err := s.run(); err != nil {
		return fmt.Errorf("PostgreSQL cannot be started: %w", err)
	}
	if err := s.ready(ctx); err != nil {
		return err
	}
	return os.WriteFile(filepath.Join(s.around, "address"), []byte(s.URL+"\n"), 0o600)
}

// outlive waits for a server that a killed Billow has left behind: it is
// stopping, or is told to.
func (s *Server) outlive(ctx context.Context) error {
	ctx, cancel := context.WithTimeout(ctx, time.Minute)
	defer cancel()
	tick := time.NewTicker(30 * time.Millisecond)
	defer tick.Stop()
	for {
		pid := s.left()
		if pid == 0 {
			return nil
		}
		// A fast shutdown; that it has ended meanwhile is as well.
		_ = syscall.Kill(pid, syscall.SIGINT)
		select {
		case <-tick.C:
		case <-ctx.Done():
			return fmt.Errorf("the PostgreSQL that a stopped Billow left behind (process %d) does not end; end it, then start again", pid)
		}
	}
}

// left is the process that serves the folder, or 0. A process of that number
// that is something else does not count.
func (s *Server) left() int {
	b, err := os.ReadFile(filepath.Join(s.data, "postmaster.pid"))
	if err != nil {
		return 0
	}
	first, _, _ := strings.Cut(string(b), "\n")
	pid, err := strconv.Atoi(strings.TrimSpace(first))
	if err != nil || pid <= 1 {
		return 0
	}
	line, err := os.ReadFile(fmt.Sprintf("/proc/%d/cmdline", pid))
	if err != nil || !slices.Contains(strings.Split(string(line), "\x00"), s.data) {
		return 0
	}
	return pid
}

// run starts the process. The thread that starts it must live as long as it:
// the kernel ends the process with its parent thread.
func (s *Server) run() error {
	cmd, ended := s.start(), make(chan struct{})
	begun := make(chan error)
	go func() {
		runtime.LockOSThread()
		defer runtime.UnlockOSThread()
		err := cmd.Start()
		begun <- err
		if err == nil {
			_ = cmd.Wait() // how it ended is in its log
			close(ended)
		}
	}()
	if err := <-begun; err != nil {
		return err
	}
	s.mu.Lock()
	defer s.mu.Unlock()
	s.cmd, s.ended = cmd, ended
	return nil
}

// keep starts the server again when it ends by itself, with growing pauses.
func (s *Server) keep() {
	pause := 200 * time.Millisecond
	for {
		s.mu.Lock()
		ended := s.ended
		s.mu.Unlock()
		began := time.Now()
		select {
		case <-s.stop:
			return
		case <-ended:
		}
		if time.Since(began) > 10*time.Second {
			pause = 200 * time.Millisecond
		}
		slog.Warn("PostgreSQL has ended and is started again", "pause", pause, "log", s.log.last())
		for again := true; again; {
			select {
			case <-s.stop:
				return
			case <-time.After(pause):
			}
			pause = min(2*pause, 20*time.Second)
			// Its own children may outlive it for a moment; a start meanwhile fails
			// and is tried again.
			again = s.run() != nil
		}
	}
}

func (s *Server) ready(ctx context.Context) error {
	ctx, cancel := context.WithTimeout(ctx, time.Minute)
	defer cancel()
	tick := time.NewTicker(50 * time.Millisecond)
	defer tick.Stop()
	for {
		conn, err := pgx.Connect(ctx, s.URL)
		if err == nil {
			return conn.Close(ctx)
		}
		select {
		case <-tick.C:
		case <-s.ended:
			if strings.Contains(s.log.text(), "No space left") {
				return fmt.Errorf("PostgreSQL cannot start, since the disk is full; free some space in %s", s.around)
			}
			// What a killed server has left behind ends by itself.
			if last := s.log.last(); !strings.Contains(last, "shared memory") && !strings.Contains(s.log.text(), "lock file") {
				return fmt.Errorf("PostgreSQL stopped while starting: %s", last)
			}
			<-tick.C
			if err := s.run(); err != nil {
				return err
			}
		case <-ctx.Done():
			return fmt.Errorf("PostgreSQL did not answer: %w", err)
		}
	}
}

// Stop ends the server cleanly within six seconds, or less cleanly: it then
// recovers when it starts next.
func (s *Server) Stop() {
	close(s.stop)
	s.watch.Wait()
	s.mu.Lock()
	cmd, ended := s.cmd, s.ended
	s.mu.Unlock()
	if cmd != nil {
		for _, signal := range []syscall.Signal{syscall.SIGINT, syscall.SIGQUIT, syscall.SIGKILL} {
			_ = cmd.Process.Signal(signal) // that it has ended already is what is wanted
			select {
			case <-ended:
			case <-time.After(3 * time.Second):
				continue
			}
			break
		}
	}
	s.lock.Close()
}

// Process is the number of the running server's process.
func (s *Server) Process() int {
	s.mu.Lock()
	defer s.mu.Unlock()
	return s.cmd.Process.Pid
}

// Address is where the server of a folder answers that another process of this
// machine has started.
func Address(dir string) (string, error) {
	b, err := os.ReadFile(filepath.Join(dir, "address"))
	return strings.TrimSpace(string(b)), err
}

// tail keeps the end of a log.
type tail struct {
	mu sync.Mutex
	b  []byte
}

func (t *tail) Write(b []byte) (int, error) {
	t.mu.Lock()
	defer t.mu.Unlock()
	t.b = append(t.b, b...)
	if len(t.b) > 8192 {
		t.b = slices.Clone(t.b[len(t.b)-4096:])
	}
	return len(b), nil
}

func (t *tail) text() string {
	t.mu.Lock()
	defer t.mu.Unlock()
	return strings.TrimSpace(string(t.b))
}

// last is the last line.
func (t *tail) last() string {
	lines := strings.Split(t.text(), "\n")
	return lines[len(lines)-1]
}

// binaries finds the newest installed version.
func binaries() (string, error) {
	found, _ := filepath.Glob("/usr/lib/postgresql/*/bin/postgres")
	if len(found) == 0 {
		return "", errors.New("PostgreSQL is not installed; on Debian, run: apt-get install postgresql")
	}
	version := func(p string) int {
		n, _ := strconv.Atoi(strings.Split(p, "/")[4])
		return n
	}
	sort.Slice(found, func(i, j int) bool { return version(found[i]) > version(found[j]) })
	return filepath.Dir(found[0]), nil
}

// prepare makes the folder and decides as whom the server runs.
func prepare(dir string) (*syscall.SysProcAttr, error) {
	if err := os.MkdirAll(dir, 0o755); err != nil {
		return nil, fmt.Errorf("the data folder %s cannot be made: %w", dir, err)
	}
	if os.Geteuid() != 0 {
		return &syscall.SysProcAttr{}, nil
	}
	u, err := user.Lookup("postgres")
	if err != nil {
		if u, err = user.Lookup("nobody"); err != nil {
			return nil, errors.New("PostgreSQL does not run as root, and there is no user postgres to run it as")
		}
	}
	uid, _ := strconv.Atoi(u.Uid)
	gid, _ := strconv.Atoi(u.Gid)
	if err := os.Chown(dir, uid, gid); err != nil {
		return nil, err
	}
	return &syscall.SysProcAttr{Credential: &syscall.Credential{Uid: uint32(uid), Gid: uint32(gid)}}, nil
}

// initialise makes the database once; its password lies in a file that only
// its owner can read.
func initialise(ctx context.Context, bin, dir, data string, attr *syscall.SysProcAttr) (string, error) {
	file := filepath.Join(dir, "password")
	if _, err := os.Stat(filepath.Join(data, "PG_VERSION")); err == nil {
		b, err := os.ReadFile(file)
		return strings.TrimSpace(string(b)), err
	}
	password := rand.Text()
	if err := os.WriteFile(file, []byte(password+"\n"), 0o600); err != nil {
		return "", err
	}
	if c := attr.Credential; c != nil {
		if err := os.Chown(file, int(c.Uid), int(c.Gid)); err != nil {
			return "", err
		}
	}
	// It gets its name when it is whole, so that half a database is never used.
	fresh := data + ".new"
	if err := os.RemoveAll(fresh); err != nil {
		return "", err
	}
	cmd := exec.CommandContext(ctx, filepath.Join(bin, "initdb"), "-D", fresh, "-U", "billow", "-E", "UTF8",
		"--locale=C.UTF-8", "--auth=scram-sha-256", "--pwfile", file)
	own := *attr
	own.Pdeathsig = syscall.SIGKILL
	cmd.SysProcAttr, cmd.Dir = &own, dir
	if out, err := cmd.CombinedOutput(); err != nil {
		return "", fmt.Errorf("the database cannot be made in %s: %s (%w)", data, strings.TrimSpace(string(out)), err)
	}
	if err := os.Rename(fresh, data); err != nil {
		return "", err
	}
	return password, nil
}

func freePort() (int, error) {
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		return 0, err
	}
	defer l.Close()
	return l.Addr().(*net.TCPAddr).Port, nil
}
