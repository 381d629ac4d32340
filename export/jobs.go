package export

import (
	"context"
	"crypto/sha256"
	"encoding/hex"
	"errors"
	"io"
	"log/slog"
	"strings"
	"sync/atomic"
	"time"

	"billow/core/clip"
	"billow/core/frame"
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
	store   *store.Store
	client  *river.Client[pgx.Tx]
	library func() (*frame.Library, error)
}

// Silence after which a worker counts as dead. It says that it lives every
// second.
const silence = 12 * time.Second

// NewQueue prepares a queue; working tells whether this process also works.
func NewQueue(s *store.Store, library func() (*frame.Library, error), working bool) (*Queue, error) {
	q := &Queue{store: s, library: library}
	config := &river.Config{Logger: slog.New(slog.DiscardHandler), FetchPollInterval: 500 * time.Millisecond}
	if working {
		config.Workers = river.NewWorkers()
		river.AddWorker(config.Workers, &worker{q: q})
		// Drawing uses all cores by itself, so one at a time.
		config.Queues = map[string]river.QueueConfig{river.QueueDefault: {MaxWorkers: 1}}
	}
	client, err := river.NewClient(riverpgxv5.New(s.Pool), config)
	q.client = client
	return q, err
}

// Run works until the context ends, and takes over what dead workers left.
func (q *Queue) Run(ctx context.Context) error {
	if err := q.client.Start(ctx); err != nil {
		return err
	}
	tick := time.NewTicker(3 * time.Second)
	defer tick.Stop()
	for {
		err := q.store.Orphans(ctx, silence, func(tx pgx.Tx, p store.Part) error {
			return q.enqueue(ctx, tx, PartArgs{p.ExportID, p.Shape, p.Attempt})
		})
		if err != nil && ctx.Err() == nil {
			slog.Warn("looking for abandoned exports", "error", err)
		}
		select {
		case <-tick.C:
		case <-ctx.Done():
			stop, cancel := context.WithTimeout(context.Background(), 15*time.Second)
			defer cancel()
			return q.client.StopAndCancel(stop)
		}
	}
}

func (q *Queue) enqueue(ctx context.Context, tx pgx.Tx, args PartArgs) error {
	_, err := q.client.InsertTx(ctx, tx, args, &river.InsertOpts{MaxAttempts: 1})
	return err
}

// Add queues an export of some shapes of a clip.
func (q *Queue) Add(ctx context.Context, id, clipID string, revision int, c *clip.Clip, shapes []string) error {
	return q.store.CreateExport(ctx, id, clipID, revision, c, shapes, func(tx pgx.Tx, shape string) error {
		return q.enqueue(ctx, tx, PartArgs{id, shape, 1})
	})
}

type worker struct {
	river.WorkerDefaults[PartArgs]
	q *Queue
}

// Timeout: an export takes as long as it takes.
func (w *worker) Timeout(*river.Job[PartArgs]) time.Duration { return -1 }

// errUnwanted ends a job that was cancelled or given to another worker.
var errUnwanted = errors.New("no longer wanted")

func (w *worker) Work(ctx context.Context, job *river.Job[PartArgs]) error {
	a, s := job.Args, w.q.store
	wanted, err := s.StartPart(ctx, a.Export, a.Shape, a.Attempt)
	if err != nil || !wanted {
		return err
	}
	err = w.export(ctx, a)
	switch {
	case err == nil || errors.Is(err, errUnwanted):
		return nil
	case ctx.Err() != nil:
		// This process is being stopped: another one takes over when the
		// heartbeat has been silent.
		return err
	}
	return s.FailPart(context.WithoutCancel(ctx), a.Export, a.Shape, a.Attempt, err.Error())
}

func (w *worker) export(ctx context.Context, a PartArgs) error {
	s := w.q.store
	doc, err := s.ExportDoc(ctx, a.Export)
	if err != nil {
		return err
	}
	c, err := clip.Parse(doc)
	if err != nil {
		return err
	}
	shape, err := c.Shape(a.Shape)
	if err != nil {
		return err
	}
	lib, err := w.q.library()
	if err != nil {
		return err
	}
	ctx, cancel := context.WithCancelCause(ctx)
	defer cancel(nil)
	var done atomic.Int64
	go w.report(ctx, a, &done, cancel)
	video, err := MP4(ctx, c, shape, lib, s.ReadFile, func(n int) { done.Store(int64(n)) })
	if cause := context.Cause(ctx); errors.Is(cause, errUnwanted) {
		err = errUnwanted
	}
	if err != nil {
		return err
	}
	defer video.Close()
	still, err := Still(ctx, c, shape, shape.W, shape.H, c.Clock().Frame(c.Poster), lib, s.ReadFile)
	if err != nil {
		return err
	}
	png, err := media.EncodePNG(still)
	if err != nil {
		return err
	}
	sum := sha256.New()
	if _, err := io.Copy(sum, video); err != nil {
		return err
	}
	if _, err := video.Seek(0, io.SeekStart); err != nil {
		return err
	}
	return s.FinishPart(ctx, a.Export, a.Shape, a.Attempt,
		store.Content{Hash: hex.EncodeToString(sum.Sum(nil)), Media: "video/mp4", Reader: video},
		store.Content{Hash: media.Hash(png), Media: "image/png", Reader: strings.NewReader(string(png))})
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
