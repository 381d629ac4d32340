package export

import (
	"context"
	"encoding/json"
	"errors"
	"log/slog"
	"math"
	"sync/atomic"
	"time"

	"billow/core/clip"
	"billow/core/cutout"
	"billow/media"
	"billow/store"

	"github.com/jackc/pgx/v5"
	"github.com/riverqueue/river"
)

// IntakeArgs is the job of bringing moving pictures into the form in which they are kept.
type IntakeArgs struct {
	Intake  string `json:"intake"`
	Attempt int    `json:"attempt"`
}

// Kind names the job in the queue.
func (IntakeArgs) Kind() string { return "intake" }

// intakeQueue is worked on beside the exports, which may take long.
const intakeQueue = "intakes"

// Bring queues a file, which is stored under its hash, to be brought in.
func (q *Queue) Bring(ctx context.Context, id string, in store.Coming) error {
	return q.store.CreateIntake(ctx, id, in, q.enqueueIntake(ctx))
}

func (q *Queue) enqueueIntake(ctx context.Context) func(tx pgx.Tx, id string, attempt int) error {
	return func(tx pgx.Tx, id string, attempt int) error {
		_, err := q.client.InsertTx(ctx, tx, IntakeArgs{id, attempt}, &river.InsertOpts{MaxAttempts: 5, Queue: intakeQueue})
		return err
	}
}

type intaker struct {
	river.WorkerDefaults[IntakeArgs]
	q *Queue
}

// Timeout: reading has limits of its own.
func (w *intaker) Timeout(*river.Job[IntakeArgs]) time.Duration { return -1 }

// NextRetry is soon: only a database that did not answer is a reason for it.
func (w *intaker) NextRetry(*river.Job[IntakeArgs]) time.Time {
	return time.Now().Add(2 * time.Second)
}

func (w *intaker) Work(ctx context.Context, job *river.Job[IntakeArgs]) error {
	a, s := job.Args, w.q.store
	in, wanted, err := s.StartIntake(ctx, a.Intake, a.Attempt)
	if err != nil || !wanted {
		return err
	}
	err = w.take(ctx, a, in)
	noting := context.WithoutCancel(ctx) // even while this process is being stopped
	switch {
	case err == nil, errors.Is(err, errUnwanted):
		return s.DropFile(noting, in.Hash)
	case ctx.Err() != nil:
		return s.ReleaseIntake(noting, a.Intake, a.Attempt, w.q.enqueueIntake(noting))
	}
	slog.Warn("a file was not brought in", "name", in.Name, "attempt", a.Attempt, "error", err)
	var fault *clip.FieldError
	why := reason(err)
	if errors.As(err, &fault) {
		why = fault.Reason
	}
	if err := s.FailIntake(noting, a.Intake, a.Attempt, why); err != nil {
		return err
	}
	return s.DropFile(noting, in.Hash)
}

func (w *intaker) take(ctx context.Context, a IntakeArgs, in store.Coming) error {
	s := w.q.store
	ctx, cancel := context.WithCancelCause(ctx)
	defer cancel(nil)
	var share atomic.Uint64
	go w.report(ctx, a, &share, cancel)
	f, err := s.OpenFile(ctx, in.Hash)
	if err != nil {
		return err
	}
	spool, err := media.NewSpool(f, f.Bytes)
	if err != nil {
		return err
	}
	defer spool.Close()
	progress := func(v float64) { share.Store(math.Float64bits(0.95 * v)) }
	if in.Cut != "" {
		return w.cut(ctx, a, in, spool, progress)
	}
	t, err := media.TakeFootage(ctx, in.Name, spool, w.q.Limits, progress)
	if err != nil {
		return unwanted(ctx, err)
	}
	defer t.Close()
	t.Prop.Credit = in.Credit
	if t.Tune != nil {
		t.Tune.Credit = in.Credit
		if err := s.Keep(ctx, *t.Tune, t.Sound.Again(), nil); err != nil {
			return err
		}
	}
	if err := s.Keep(ctx, t.Prop, t.File.Again(), t.File.Coarse); err != nil {
		return err
	}
	return s.FinishIntake(ctx, a.Intake, a.Attempt, t.Prop, t.Note)
}

// cut cuts a thing out of footage, and lets the clips follow that show what was cut before.
func (w *intaker) cut(ctx context.Context, a IntakeArgs, in store.Coming, spool *media.Spool, progress func(float64)) error {
	s := w.q.store
	var o cutout.Order
	if err := json.Unmarshal(in.Order, &o); err != nil {
		return err
	}
	was, err := s.PropOf(ctx, in.Hash)
	if err != nil && !errors.Is(err, store.ErrNotFound) {
		return err
	}
	t, found, err := media.CutFootage(ctx, in.Name, spool, o, w.q.Limits, progress)
	if err != nil {
		return unwanted(ctx, err)
	}
	defer t.Close()
	t.Prop.Credit = in.Credit
	if t.Prop.Footage != nil && was.Footage != nil {
		t.Prop.Footage.Sound = was.Footage.Sound
	}
	if err := s.Keep(ctx, t.Prop, t.File.Again(), t.File.Coarse); err != nil {
		return err
	}
	before, err := s.Cut(ctx, in.Cut)
	if err != nil {
		return err
	}
	if _, err := s.FinishCut(ctx, before, store.Made{Order: o, Piece: cutout.Finished{Found: found}, Prop: t.Prop, Looked: true}); err != nil {
		return err
	}
	return s.FinishIntake(ctx, a.Intake, a.Attempt, t.Prop, "")
}

// unwanted is why work failed: errUnwanted when it was ended since nobody wants it any more.
func unwanted(ctx context.Context, err error) error {
	if errors.Is(context.Cause(ctx), errUnwanted) {
		return errUnwanted
	}
	return err
}

// report writes progress twice a second and cancels when it is no longer wanted.
func (w *intaker) report(ctx context.Context, a IntakeArgs, share *atomic.Uint64, cancel context.CancelCauseFunc) {
	tick := time.NewTicker(500 * time.Millisecond)
	defer tick.Stop()
	for {
		select {
		case <-ctx.Done():
			return
		case <-tick.C:
			wanted, err := w.q.store.IntakeProgress(ctx, a.Intake, a.Attempt, math.Float64frombits(share.Load()))
			if err == nil && !wanted {
				cancel(errUnwanted)
				return
			}
		}
	}
}
