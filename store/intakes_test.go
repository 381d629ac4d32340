package store_test

import (
	"errors"
	"fmt"
	"strings"
	"testing"
	"time"

	"billow/store"

	"github.com/jackc/pgx/v5"
)

// bringing notes a file as one that is being brought in, and gives what is queued from then on.
func bringing(t *testing.T, id string) (hash string, queued *[]string, enqueue func(pgx.Tx, string, int) error) {
	t.Helper()
	hash = strings.Repeat("7", 60) + fmt.Sprintf("%04d", len(id))
	if err := db.PutFile(t.Context(), hash, "video/mp4", strings.NewReader("film")); err != nil {
		t.Fatal(err)
	}
	queued = &[]string{}
	enqueue = func(_ pgx.Tx, of string, attempt int) error {
		if of == id {
			*queued = append(*queued, fmt.Sprint(attempt))
		}
		return nil
	}
	if err := db.CreateIntake(t.Context(), id, store.Coming{Name: "film.mp4", Hash: hash, Credit: "by us"}, enqueue); err != nil {
		t.Fatal(err)
	}
	return hash, queued, enqueue
}

// A worker that falls silent is replaced, and what it says afterwards counts for nothing.
func TestASilentIntakeIsGivenToAnotherWorker(t *testing.T) {
	_, queued, enqueue := bringing(t, "silent")
	in, ok, err := db.StartIntake(t.Context(), "silent", 1)
	if !ok || err != nil || in.Name != "film.mp4" || in.Credit != "by us" || fmt.Sprint(*queued) != "[1]" {
		t.Fatal(in, ok, err, *queued)
	}
	if err := db.OrphanedIntakes(t.Context(), time.Hour, enqueue); err != nil || len(*queued) != 1 {
		t.Fatalf("one that lives was taken away: %v %v", *queued, err)
	}
	if err := db.OrphanedIntakes(t.Context(), -time.Second, enqueue); err != nil || fmt.Sprint(*queued) != "[1 2]" {
		t.Fatalf("queued are %v: %v", *queued, err)
	}
	if ok, _ := db.IntakeProgress(t.Context(), "silent", 1, 0.5); ok {
		t.Error("the worker that was silent is still wanted")
	}
	if err := db.FinishIntake(t.Context(), "silent", 1, map[string]string{"id": "late"}, ""); err != nil {
		t.Fatal(err)
	}
	if in, err := db.Intake(t.Context(), "silent"); err != nil || in.State != "waiting" || in.Prop != nil {
		t.Errorf("it is %+v: %v", in, err)
	}
	if _, ok, _ := db.StartIntake(t.Context(), "silent", 2); !ok {
		t.Fatal("the new attempt cannot start")
	}
	if ok, err := db.IntakeProgress(t.Context(), "silent", 2, 0.25); !ok || err != nil {
		t.Error(ok, err)
	}
	if err := db.FinishIntake(t.Context(), "silent", 2, map[string]string{"id": "prop"}, "It has one picture only."); err != nil {
		t.Fatal(err)
	}
	if in, err := db.Intake(t.Context(), "silent"); err != nil || in.State != "done" || in.Share != 1 || !strings.Contains(string(in.Prop), "prop") || in.Note == "" {
		t.Errorf("it is %+v: %v", in, err)
	}
}

// What was stopped is not gone on with, and its file goes; one that failed says why.
func TestAnIntakeIsStoppedOrFails(t *testing.T) {
	hash, queued, enqueue := bringing(t, "stopped!")
	if _, ok, _ := db.StartIntake(t.Context(), "stopped!", 1); !ok {
		t.Fatal("it cannot start")
	}
	if err := db.DropFile(t.Context(), hash); err != nil {
		t.Fatal(err)
	}
	if _, err := db.OpenFile(t.Context(), hash); err != nil {
		t.Errorf("its file went while it was read: %v", err)
	}
	if err := db.CancelIntake(t.Context(), "stopped!"); err != nil {
		t.Fatal(err)
	}
	if ok, _ := db.IntakeProgress(t.Context(), "stopped!", 1, 0.5); ok {
		t.Error("it is still wanted")
	}
	if err := db.ReleaseIntake(t.Context(), "stopped!", 1, enqueue); err != nil || len(*queued) != 1 {
		t.Errorf("it was queued again: %v %v", *queued, err)
	}
	if err := db.CancelIntake(t.Context(), "stopped!"); !errors.Is(err, store.ErrNotFound) {
		t.Errorf("it was stopped twice: %v", err)
	}
	if err := db.DropFile(t.Context(), hash); err != nil {
		t.Fatal(err)
	}
	if _, err := db.OpenFile(t.Context(), hash); !errors.Is(err, store.ErrNotFound) {
		t.Errorf("its file is still there: %v", err)
	}
	bringing(t, "failing-one")
	if _, ok, _ := db.StartIntake(t.Context(), "failing-one", 1); !ok {
		t.Fatal("it cannot start")
	}
	if err := db.FailIntake(t.Context(), "failing-one", 1, "it lasts too long"); err != nil {
		t.Fatal(err)
	}
	if in, err := db.Intake(t.Context(), "failing-one"); err != nil || in.State != "failed" || in.Error != "it lasts too long" {
		t.Errorf("it is %+v: %v", in, err)
	}
}
