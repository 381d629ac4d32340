package store_test

import (
	"context"
	"errors"
	"fmt"
	"io"
	"os"
	"strings"
	"testing"
	"time"

	"billow/core/clip"
	"billow/store"
	"billow/store/local"

	"github.com/jackc/pgx/v5"
)

var (
	db  *store.Store
	dir string
)

func TestMain(m *testing.M) { os.Exit(run(m)) }

func run(m *testing.M) int {
	var err error
	if dir, err = os.MkdirTemp("", "billow-store-"); err != nil {
		panic(err)
	}
	defer os.RemoveAll(dir)
	pg, err := local.Start(context.Background(), dir)
	if err != nil {
		panic(err)
	}
	defer pg.Stop()
	if db, err = store.Open(context.Background(), pg.URL); err != nil {
		panic(err)
	}
	defer db.Close()
	return m.Run()
}

func made(t *testing.T) (string, *clip.Clip) {
	t.Helper()
	tall, _ := clip.StandardShape("tall")
	c, id := clip.New("Stored", tall, 30, 60), store.NewID()
	if err := db.CreateClip(t.Context(), id, c, "New"); err != nil {
		t.Fatal(err)
	}
	return id, c
}

func TestASecondServerOnTheSameFolderIsRefusedInWords(t *testing.T) {
	_, err := local.Start(t.Context(), dir)
	if err == nil || !strings.Contains(err.Error(), "another Billow") {
		t.Errorf("the error is %v", err)
	}
}

func TestMigratingTwiceIsHarmless(t *testing.T) {
	again, err := store.Open(t.Context(), db.Pool.Config().ConnString())
	if err != nil {
		t.Fatal(err)
	}
	again.Close()
}

func exported(t *testing.T) string {
	t.Helper()
	id, c := made(t)
	e := store.NewID()
	err := db.CreateExport(t.Context(), e, id, 1, c, []store.Wanted{{Shape: "tall"}, {Shape: "square"}}, false, false, func(pgx.Tx, string) error { return nil })
	if err != nil {
		t.Fatal(err)
	}
	return e
}

func state(t *testing.T, e, shape string) store.Part {
	t.Helper()
	p, err := db.Part(t.Context(), e, shape)
	if err != nil {
		t.Fatal(err)
	}
	return p
}

func TestACancelledPartIsNoLongerWanted(t *testing.T) {
	e := exported(t)
	if ok, err := db.StartPart(t.Context(), e, "tall", 1); !ok || err != nil {
		t.Fatalf("starting gives %v, %v", ok, err)
	}
	if err := db.CancelExport(t.Context(), e); err != nil {
		t.Fatal(err)
	}
	if ok, err := db.Progress(t.Context(), e, "tall", 1, 9); ok || err != nil {
		t.Errorf("after cancelling, progress gives %v, %v", ok, err)
	}
	if ok, _ := db.StartPart(t.Context(), e, "square", 1); ok {
		t.Error("a cancelled part was started")
	}
	if p := state(t, e, "square"); p.State != "cancelled" {
		t.Errorf("the part is %s", p.State)
	}
}

// A worker that was silent too long is replaced, and cannot disturb its
// successor when it comes back.
func TestASilentWorkerIsReplacedAndFencedOff(t *testing.T) {
	e := exported(t)
	if _, err := db.StartPart(t.Context(), e, "tall", 1); err != nil {
		t.Fatal(err)
	}
	var given []store.Part
	orphans := func(silent time.Duration) {
		t.Helper()
		given = nil
		err := db.Orphans(t.Context(), silent, func(_ pgx.Tx, p store.Part) error {
			if p.ExportID == e {
				given = append(given, p)
			}
			return nil
		})
		if err != nil {
			t.Fatal(err)
		}
	}
	if orphans(time.Hour); len(given) != 0 {
		t.Fatal("a part that lives was taken away")
	}
	if orphans(-time.Second); len(given) != 1 || given[0].Attempt != 2 {
		t.Fatalf("given away are %+v", given)
	}
	content := func(s string) store.Content {
		return store.Content{Hash: strings.Repeat(s, 64), Media: "video/mp4", Reader: strings.NewReader(s)}
	}
	if err := db.FinishPart(t.Context(), e, "tall", 1, content("a"), content("b")); err != nil {
		t.Fatal(err)
	}
	if p := state(t, e, "tall"); p.State != "waiting" || p.Video != nil {
		t.Errorf("the worker thought dead finished the part: %+v", p)
	}
	if ok, _ := db.StartPart(t.Context(), e, "tall", 1); ok {
		t.Error("the old attempt was started again")
	}
	if ok, _ := db.StartPart(t.Context(), e, "tall", 2); !ok {
		t.Error("the new attempt cannot start")
	}
	if err := db.FinishPart(t.Context(), e, "tall", 2, content("c"), content("d")); err != nil {
		t.Fatal(err)
	}
	p := state(t, e, "tall")
	if p.State != "done" || p.Done != p.Total || p.Video == nil {
		t.Fatalf("the part is %+v", p)
	}
	f, err := db.OpenFile(t.Context(), *p.Video)
	if err != nil {
		t.Fatal(err)
	}
	if b, err := io.ReadAll(f); err != nil || string(b) != "c" {
		t.Errorf("the file is %q (%v)", b, err)
	}
}

// A part that fails is tried again twice; then it has failed, and says why.
func TestAFailureIsTriedAgainAndSaysWhy(t *testing.T) {
	e := exported(t)
	queued := 0
	enqueue := func(_ pgx.Tx, p store.Part) error {
		queued++
		return nil
	}
	for attempt := 1; attempt <= store.MaxFailures; attempt++ {
		if ok, err := db.StartPart(t.Context(), e, "tall", attempt); !ok || err != nil {
			t.Fatalf("attempt %d cannot start (%v)", attempt, err)
		}
		if err := db.FailPart(t.Context(), e, "tall", attempt, "the encoder was ended", false, enqueue); err != nil {
			t.Fatal(err)
		}
	}
	if p := state(t, e, "tall"); p.State != "failed" || p.Error != "the encoder was ended" || queued != 2 {
		t.Errorf("after being queued %d times the part is %+v", queued, p)
	}
	// What trying again would not change fails at once.
	if _, err := db.StartPart(t.Context(), e, "square", 1); err != nil {
		t.Fatal(err)
	}
	if err := db.FailPart(t.Context(), e, "square", 1, "no such font", true, enqueue); err != nil {
		t.Fatal(err)
	}
	if p := state(t, e, "square"); p.State != "failed" || queued != 2 {
		t.Errorf("the part is %+v, queued %d times", p, queued)
	}
}

func TestAWorkerThatIsStoppedGivesItsPartBack(t *testing.T) {
	e := exported(t)
	if _, err := db.StartPart(t.Context(), e, "tall", 1); err != nil {
		t.Fatal(err)
	}
	given := 0
	if err := db.ReleasePart(t.Context(), e, "tall", 1, func(_ pgx.Tx, p store.Part) error { given = p.Attempt; return nil }); err != nil {
		t.Fatal(err)
	}
	if p := state(t, e, "tall"); p.State != "waiting" || given != 2 {
		t.Errorf("the part is %+v, given to attempt %d", p, given)
	}
}

// A part whose job is gone does not wait for ever.
func TestAPartWithoutAJobIsQueuedAgain(t *testing.T) {
	e := exported(t)
	if _, err := db.Pool.Exec(t.Context(), `UPDATE export_parts SET queued = now() - interval '1 minute' WHERE export_id = $1 AND shape = 'square'`, e); err != nil {
		t.Fatal(err)
	}
	var given []string
	err := db.Orphans(t.Context(), time.Hour, func(_ pgx.Tx, p store.Part) error {
		if p.ExportID == e {
			given = append(given, fmt.Sprint(p.Shape, p.Attempt))
		}
		return nil
	})
	if err != nil || fmt.Sprint(given) != "[square2]" {
		t.Errorf("queued again are %v (%v)", given, err)
	}
}

// A worker that ends after it has taken a job and before it has begun keeps no part waiting for
// ever; one that has only just taken it is left in peace.
func TestAPartWhoseWorkerEndedBeforeItBeganIsQueuedAgain(t *testing.T) {
	e := exported(t)
	if _, err := db.Pool.Exec(t.Context(), `UPDATE export_parts SET queued = now() - interval '1 minute' WHERE export_id = $1`, e); err != nil {
		t.Fatal(err)
	}
	for shape, ago := range map[string]string{"square": "1 minute", "tall": "1 second"} {
		if _, err := db.Pool.Exec(t.Context(), `INSERT INTO river_job (kind, args, state, max_attempts, attempted_at, attempt)
			VALUES ('export_part', jsonb_build_object('export', $1::text, 'shape', $2::text, 'attempt', 1), 'running', 5, now() - $3::interval, 1)`, e, shape, ago); err != nil {
			t.Fatal(err)
		}
	}
	var given []string
	err := db.Orphans(t.Context(), time.Hour, func(_ pgx.Tx, p store.Part) error {
		if p.ExportID == e {
			given = append(given, fmt.Sprint(p.Shape, p.Attempt))
		}
		return nil
	})
	if err != nil || fmt.Sprint(given) != "[square2]" {
		t.Errorf("queued again are %v (%v)", given, err)
	}
}

func TestWhatIsNotThereIsNotFound(t *testing.T) {
	_, clipErr := db.State(t.Context(), "nobody")
	_, fileErr := db.OpenFile(t.Context(), "nothing")
	_, partErr := db.Part(t.Context(), "none", "tall")
	for _, err := range []error{clipErr, fileErr, partErr, db.DeleteClip(t.Context(), "nobody")} {
		if !errors.Is(err, store.ErrNotFound) {
			t.Errorf("the error is %v", err)
		}
	}
}
