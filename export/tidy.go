package export

import (
	"context"
	"log/slog"
	"time"

	"billow/store"

	"github.com/riverqueue/river"
)

// TidyArgs is the job of removing what nobody needs any more.
type TidyArgs struct{}

// Kind names the job in the queue.
func (TidyArgs) Kind() string { return "tidy" }

const day = 24 * time.Hour

// daily queues tidying once a day, however many servers there are and however
// often they start.
func daily() *river.PeriodicJob {
	return river.NewPeriodicJob(river.PeriodicInterval(day), func() (river.JobArgs, *river.InsertOpts) {
		return TidyArgs{}, &river.InsertOpts{MaxAttempts: 3, UniqueOpts: river.UniqueOpts{ByPeriod: day}}
	}, &river.PeriodicJobOpts{RunOnStart: true})
}

type tidier struct {
	river.WorkerDefaults[TidyArgs]
	store *store.Store
}

func (t *tidier) Timeout(*river.Job[TidyArgs]) time.Duration { return time.Hour }

func (t *tidier) Work(ctx context.Context, _ *river.Job[TidyArgs]) error {
	gone, err := t.store.Tidy(ctx, store.Keeping, false)
	if err == nil && gone != (store.Tidied{}) {
		slog.Info("tidied", "files", gone.Files, "bytes", gone.Bytes, "props", gone.Props, "jobs", gone.Jobs, "sessions", gone.Sessions)
	}
	return err
}
