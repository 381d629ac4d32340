package hardship

import (
	"context"
	"errors"
	"fmt"
	"os"
	"testing"
	"time"

	"billow/export"
)

var binary string

func TestMain(m *testing.M) {
	export.DrawIfAsked()
	os.Exit(run(m))
}

func run(m *testing.M) int {
	program, remove, err := Build(context.Background())
	if err != nil {
		fmt.Fprintln(os.Stderr, err)
		return 1
	}
	defer remove()
	binary = program
	return m.Run()
}

func TestThreePagesOverCutConnectionsLoseNothing(t *testing.T) {
	r, err := EditFromThreePages(200, 7)
	if err != nil {
		t.Fatalf("%v; so far %+v", err, r)
	}
	if r.Lost+r.Twice+r.Wrong > 0 {
		t.Errorf("%+v", r)
	}
	if r.PageCuts < 3 || r.StoreCuts < 3 {
		t.Errorf("too little was cut to find anything: %+v", r)
	}
	t.Logf("%+v", r)
}

func TestKilledProcessesLoseNothing(t *testing.T) {
	k, err := KillRounds(t.Context(), binary, 10, 5)
	if err != nil {
		t.Fatalf("%v; so far %+v", err, k)
	}
	if k.Lost+k.Twice+k.Unstarted+k.HalfFile+k.Hanging > 0 || k.Acknowledged < 20 {
		t.Errorf("%+v", k)
	}
	t.Logf("%+v", k)
}

func TestManyEditorsDoNotStopTheServer(t *testing.T) {
	r, err := ManyEditors(t.Context(), binary, 20, 20, 3*time.Second, 300*time.Millisecond)
	if err != nil {
		t.Fatal(err)
	}
	if r.Lost+r.Failures > 0 || r.Edits < 100 {
		t.Errorf("%+v", r)
	}
	t.Logf("%+v", r)
}

func TestAFullDiskLosesNothing(t *testing.T) {
	d, err := FullDisk(t.Context(), binary)
	if errors.Is(err, ErrNoMount) {
		t.Log(err) // what one sees of a full disk is tested elsewhere as well
		return
	}
	if err != nil {
		t.Fatalf("%v; so far %+v", err, d)
	}
	if d.Lost+d.Twice > 0 || d.SaidFull == 0 || d.After < 20 {
		t.Errorf("%+v", d)
	}
	t.Logf("%+v", d)
}

func TestHostileUploadsKillNobody(t *testing.T) {
	r, err := HostileUploads(t.Context(), binary, 4400, 7, 3<<30)
	if err != nil {
		t.Fatal(err)
	}
	if r.Killed || r.Unanswered > 0 || r.Taken+r.Refused != 7 {
		t.Errorf("%+v", r)
	}
	t.Logf("%+v", r)
}
