// Package local runs a private PostgreSQL on loopback from Debian's package, in
// a data folder of its own.
package local

import (
	"bytes"
	"context"
	"crypto/rand"
	"errors"
	"fmt"
	"net"
	"os"
	"os/exec"
	"os/user"
	"path/filepath"
	"sort"
	"strconv"
	"strings"
	"syscall"
	"time"

	"github.com/jackc/pgx/v5"
)

// Server is a running PostgreSQL.
type Server struct {
	URL string
	cmd *exec.Cmd
	log *bytes.Buffer
	end chan error
}

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
	data := filepath.Join(dir, "postgres")
	password, err := initialise(ctx, bin, dir, data, attr)
	if err != nil {
		return nil, err
	}
	port, err := freePort()
	if err != nil {
		return nil, err
	}
	s := &Server{
		URL: fmt.Sprintf("postgres://billow:%s@127.0.0.1:%d/postgres?sslmode=disable", password, port),
		log: &bytes.Buffer{}, end: make(chan error, 1),
	}
	s.cmd = exec.Command(filepath.Join(bin, "postgres"), "-D", data, "-p", strconv.Itoa(port),
		"-c", "listen_addresses=127.0.0.1", "-c", "unix_socket_directories=", "-c", "shared_buffers=64MB")
	own := *attr
	own.Setpgid, own.Pdeathsig = true, syscall.SIGINT
	s.cmd.SysProcAttr, s.cmd.Stderr, s.cmd.Dir = &own, s.log, dir
	if err := s.cmd.Start(); err != nil {
		return nil, fmt.Errorf("PostgreSQL cannot be started: %w", err)
	}
	go func() { s.end <- s.cmd.Wait() }()
	if err := s.ready(ctx); err != nil {
		s.Stop()
		return nil, err
	}
	return s, nil
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
		case err := <-s.end:
			s.end <- err
			if strings.Contains(s.log.String(), "postmaster.pid") {
				return errors.New("another Billow is using the same data folder; stop it first, or choose another with --data")
			}
			return fmt.Errorf("PostgreSQL stopped while starting: %s", strings.TrimSpace(s.log.String()))
		case <-ctx.Done():
			return fmt.Errorf("PostgreSQL did not answer: %w", err)
		}
	}
}

// Stop ends the server at once but cleanly.
func (s *Server) Stop() {
	if s.cmd.Process == nil {
		return
	}
	// The error is that it has ended already, which is what is wanted.
	_ = s.cmd.Process.Signal(syscall.SIGINT)
	select {
	case <-s.end:
	case <-time.After(20 * time.Second):
		_ = s.cmd.Process.Kill()
	}
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
	cmd := exec.CommandContext(ctx, filepath.Join(bin, "initdb"), "-D", data, "-U", "billow", "-E", "UTF8",
		"--locale=C.UTF-8", "--auth=scram-sha-256", "--pwfile", file)
	cmd.SysProcAttr, cmd.Dir = attr, dir
	if out, err := cmd.CombinedOutput(); err != nil {
		return "", fmt.Errorf("the database cannot be made in %s: %s", data, strings.TrimSpace(string(out)))
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
