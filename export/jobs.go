package export

import (
	"context"
	"errors"
	"log/slog"
	"sync/atomic"
	"time"

	"billow/core/clip"
	"billow/core/edit"
	"billow/media"
	"billow/store"

	"github.com/jackc/pgx/v5"
	"github.com/riverqueue/river"
	"github.com/riverqueue/river/riverdriver/riverpgxv5"
)

// PartArgs is the job of exporting one shape.
type PartArgs struct {
	Export  string `json:"export"`
	Shape   string `json:"shape"`
	Attempt int    `json:"attempt"`
}

// Kind names the job in the queue.
func (PartArgs) Kind() string { return "export_part" }

// Queue takes exports and, when started, works on them.
type Queue struct {
	store  *store.Store
	client *river.Client[pgx.Tx]
	drawer *Drawer

	Limits media.Limits // of what is brought in
}

// Silence after which a worker counts as dead. It says twice a second that it
// lives.
const silence = 12 * time.Second

// NewQueue prepares a queue; working tells whether this process also works.
func NewQueue(s *store.Store, drawer *Drawer, working bool) (*Queue, error) {
	q := &Queue{store: s, drawer: drawer, Limits: media.DefaultLimits()}
	config := &river.Config{Logger: slog.New(slog.DiscardHandler), FetchPollInterval: 500 * time.Millisecond}
	if working {
		config.Workers = river.NewWorkers()
		river.AddWorker(config.Workers, &worker{q: q})
		river.AddWorker(config.Workers, &intaker{q: q})
		river.AddWorker(config.Workers, &tidier{store: s})
		config.PeriodicJobs = []*river.PeriodicJob{daily()}
		// Drawing uses all cores by itself, so one at a time.
		config.Queues = map[string]river.QueueConfig{river.QueueDefault: {MaxWorkers: 1}, intakeQueue: {MaxWorkers: 1}}
	}
	client, err := river.NewClient(riverpgxv5.New(s.Pool), config)
	q.client = client
	return q, err
}

// Run works until the context ends, and takes over what dead workers left.
func (q *Queue) Run(ctx context.Context) error {
	tick := time.NewTicker(3 * time.Second)
	defer tick.Stop()
	for err := q.client.Start(ctx); err != nil; err = q.client.Start(ctx) {
		slog.Warn("the work on exports cannot begin yet", "error", err)
		select {
		case <-tick.C:
		case <-ctx.Done():
			return nil
		}
	}
	for {
		err := errors.Join(q.store.Orphans(ctx, silence, q.enqueue(ctx)), q.store.OrphanedIntakes(ctx, silence, q.enqueueIntake(ctx)))
		if err != nil && ctx.Err() == nil {
			slog.Warn("looking for abandoned work", "error", err)
		}
		select {
		case <-tick.C:
		case <-ctx.Done():
			stop, cancel := context.WithTimeout(context.Background(), 5*time.Second)
			defer cancel()
			return q.client.StopAndCancel(stop)
		}
	}
}

// enqueue queues parts in a transaction. A database that is away for a moment
// when the work begins is asked again.
func (q *Queue) enqueue(ctx context.Context) func(tx pgx.Tx, p store.Part) error {
	return func(tx pgx.Tx, p store.Part) error {
		_, err := q.client.InsertTx(ctx, tx, PartArgs{p.ExportID, p.Shape, p.Attempt}, &river.InsertOpts{MaxAttempts: 5})
		return err
	}
}

// Add queues an export of some shapes of a clip.
func (q *Queue) Add(ctx context.Context, id, clipID string, revision int, c *clip.Clip, shapes []string, quick bool) error {
	parts := make([]store.Wanted, len(shapes))
	for i, shape := range shapes {
		parts[i].Shape = shape
	}
	return q.add(ctx, id, clipID, revision, c, parts, quick, false)
}

// AddVariants queues an export of variants of a clip, each with the name of its file.
func (q *Queue) AddVariants(ctx context.Context, id, clipID string, revision int, c *clip.Clip, variants []store.Wanted, quick bool) error {
	return q.add(ctx, id, clipID, revision, c, variants, quick, true)
}

func (q *Queue) add(ctx context.Context, id, clipID string, revision int, c *clip.Clip, parts []store.Wanted, quick, variants bool) error {
	return q.store.CreateExport(ctx, id, clipID, revision, c, parts, quick, variants, func(tx pgx.Tx, shape string) error {
		return q.enqueue(ctx)(tx, store.Part{ExportID: id, Shape: shape, Attempt: 1})
	})
}

type worker struct {
	river.WorkerDefaults[PartArgs]
	q *Queue
}

// Timeout: an export takes as long as it takes.
func (w *worker) Timeout(*river.Job[PartArgs]) time.Duration { return -1 }

// NextRetry is soon: only a database that did not answer is a reason for it.
func (w *worker) NextRetry(*river.Job[PartArgs]) time.Time { return time.Now().Add(2 * time.Second) }

// errUnwanted ends a job that was cancelled or given to another worker.
var errUnwanted = errors.New("no longer wanted")

func (w *worker) Work(ctx context.Context, job *river.Job[PartArgs]) error {
	a, s := job.Args, w.q.store
	wanted, err := s.StartPart(ctx, a.Export, a.Shape, a.Attempt)
	if err != nil || !wanted {
		return err
	}
	err = w.export(ctx, a)
	if err == nil || errors.Is(err, errUnwanted) {
		return nil
	}
	// What has become of it is noted even while this process is being stopped.
	noting := context.WithoutCancel(ctx)
	if ctx.Err() != nil {
		return s.ReleasePart(noting, a.Export, a.Shape, a.Attempt, w.q.enqueue(noting))
	}
	slog.Warn("a part of an export failed", "export", a.Export, "shape", a.Shape, "attempt", a.Attempt, "error", err)
	var final FinalError
	return s.FailPart(noting, a.Export, a.Shape, a.Attempt, reason(err), errors.As(err, &final), w.q.enqueue(noting))
}

func (w *worker) export(ctx context.Context, a PartArgs) error {
	s := w.q.store
	doc, quick, err := s.ExportDoc(ctx, a.Export)
	if err != nil {
		return err
	}
	c, err := clip.Parse(doc)
	if err != nil {
		return FinalError{err}
	}
	id := a.Shape
	if ref, is := clip.ReadVariant(id); is {
		// What of it no longer fits was said before it was exported.
		if c, _, err = edit.Variant(c, ref); err != nil {
			return FinalError{err}
		}
		id, doc = ref.Shape, c.Encode()
	}
	shape, err := c.Shape(id)
	if err != nil {
		return FinalError{err}
	}
	ctx, cancel := context.WithCancelCause(ctx)
	defer cancel(nil)
	var done atomic.Int64
	go w.report(ctx, a, &done, cancel)
	drawn, err := w.q.drawer.Draw(ctx, Job{
		Database: s.URL, Clip: doc, Shape: id, Video: true, Quick: quick, W: shape.W, H: shape.H,
	}, func(n int) { done.Store(int64(n)) })
	if cause := context.Cause(ctx); errors.Is(cause, errUnwanted) {
		err = errUnwanted
	}
	if err != nil {
		return err
	}
	defer drawn.Close()
	return s.FinishPart(ctx, a.Export, a.Shape, a.Attempt,
		store.Content{Hash: drawn.Video.Hash, Media: "video/mp4", Reader: drawn.Video},
		store.Content{Hash: drawn.Still.Hash, Media: "image/png", Reader: drawn.Still})
}

// report writes progress twice a second and cancels when the part is no longer
// wanted. A database that is gone for a moment does not end the export.
func (w *worker) report(ctx context.Context, a PartArgs, done *atomic.Int64, cancel context.CancelCauseFunc) {
	tick := time.NewTicker(500 * time.Millisecond)
	defer tick.Stop()
	for {
		select {
		case <-ctx.Done():
			return
		case <-tick.C:
			wanted, err := w.q.store.Progress(ctx, a.Export, a.Shape, a.Attempt, int(done.Load()))
			if err == nil && !wanted {
				cancel(errUnwanted)
				return
			}
		}
	}
}
