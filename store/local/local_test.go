package local

import (
	"bufio"
	"context"
	"errors"
	"fmt"
	"os"
	"os/exec"
	"strings"
	"syscall"
	"testing"
	"time"

	"github.com/jackc/pgx/v5"
)

// Started with a folder in its environment, the test program only serves that,
// so that it can be killed.
const serving = "BILLOW_TEST_SERVES"

func TestMain(m *testing.M) {
	if dir := os.Getenv(serving); dir != "" {
		s, err := Start(context.Background(), dir)
		if err != nil {
			fmt.Println("error:", err)
			os.Exit(1)
		}
		fmt.Println(s.URL)
		select {}
	}
	os.Exit(m.Run())
}

func folder(t *testing.T) string {
	t.Helper()
	dir, err := os.MkdirTemp("", "billow-local-")
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = os.RemoveAll(dir) })
	return dir
}

func answers(t *testing.T, url string) {
	t.Helper()
	end := time.Now().Add(time.Minute)
	for {
		conn, err := pgx.Connect(t.Context(), url)
		if err == nil {
			_ = conn.Close(t.Context())
			return
		}
		if time.Now().After(end) {
			t.Fatal(err)
		}
	}
}

func TestADatabaseThatIsKilledIsStartedAgain(t *testing.T) {
	s, err := Start(t.Context(), folder(t))
	if err != nil {
		t.Fatal(err)
	}
	defer s.Stop()
	for range 3 {
		pid := s.Process()
		if err := syscall.Kill(pid, syscall.SIGKILL); err != nil {
			t.Fatal(err)
		}
		for end := time.Now().Add(time.Minute); s.Process() == pid; {
			if time.Now().After(end) {
				t.Fatal("it was not started again")
			}
		}
		answers(t, s.URL)
	}
}

// However often a server is killed, the next one starts at once, and a folder
// is only said to be used while it is.
func TestAKilledServersFolderIsTakenOver(t *testing.T) {
	dir := folder(t)
	for range 6 {
		cmd := exec.Command(os.Args[0])
		cmd.Env = append(os.Environ(), serving+"="+dir)
		out, err := cmd.StdoutPipe()
		if err != nil {
			t.Fatal(err)
		}
		if err := cmd.Start(); err != nil {
			t.Fatal(err)
		}
		line, err := bufio.NewReader(out).ReadString('\n')
		if err != nil || !strings.HasPrefix(line, "postgres://") {
			t.Fatalf("it says %q (%v)", line, err)
		}
		if _, err := Start(t.Context(), dir); !errors.Is(err, ErrInUse) {
			t.Errorf("while it runs, another start gives %v", err)
		}
		if url, err := Address(dir); err != nil || url != strings.TrimSpace(line) {
			t.Errorf("its address is said to be %q (%v)", url, err)
		}
		_ = cmd.Process.Kill()
		_ = cmd.Wait() // it was killed; that is its error
	}
	s, err := Start(t.Context(), dir)
	if err != nil {
		t.Fatal(err)
	}
	answers(t, s.URL)
	s.Stop()
}
