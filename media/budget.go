package media

import (
	"bufio"
	"context"
	"fmt"
	"os"
	"runtime"
	"strconv"
	"strings"
	"sync/atomic"
	"time"

	"golang.org/x/sync/semaphore"
)

// What is decoded takes memory and time that a few bytes can ask for. All of a
// process shares one budget, so that many files at once wait for each other
// instead of ending the process, and ordinary requests are answered meanwhile.
type budget struct {
	bytes  int64
	memory *semaphore.Weighted
	turns  *semaphore.Weighted // how many work at a time
}

var shared atomic.Pointer[budget]

func init() { SetBudget(MachineMemory() / 4) }

// SetBudget says how many bytes may be taken by all decoding at once. What
// waits already keeps to the old budget.
func SetBudget(bytes int64) {
	bytes = max(bytes, 64<<20)
	shared.Store(&budget{bytes, semaphore.NewWeighted(bytes), semaphore.NewWeighted(int64(max(1, runtime.NumCPU()/2)))})
}

// patience is how long one waits for one's turn.
const patience = 3 * time.Minute

// Take waits until so many bytes are free and it is one's turn. More than there
// will ever be are an error.
func Take(ctx context.Context, bytes int64) (free func(), err error) {
	ctx, cancel := context.WithTimeout(ctx, patience)
	defer cancel()
	b := shared.Load()
	if bytes > b.bytes {
		return nil, fmt.Errorf("reading it would take %d MB of memory, and this Billow may use %d MB for that", bytes>>20, b.bytes>>20)
	}
	if err := b.turns.Acquire(ctx, 1); err != nil {
		return nil, ErrBusy
	}
	if err := b.memory.Acquire(ctx, bytes); err != nil {
		b.turns.Release(1)
		return nil, ErrBusy
	}
	return func() { b.memory.Release(bytes); b.turns.Release(1) }, nil
}

// ErrBusy says that it did not become one's turn in time.
var ErrBusy = fmt.Errorf("many files are being read at the moment; try again in a minute")

// MachineMemory is how much memory this process may count on: the machine's,
// or less where a control group sets a limit.
func MachineMemory() int64 {
	total := int64(4 << 30)
	if f, err := os.Open("/proc/meminfo"); err == nil {
		defer f.Close()
		for lines := bufio.NewScanner(f); lines.Scan(); {
			if rest, ok := strings.CutPrefix(lines.Text(), "MemTotal:"); ok {
				if kb, err := strconv.ParseInt(strings.TrimSuffix(strings.TrimSpace(rest), " kB"), 10, 64); err == nil {
					total = kb << 10
				}
			}
		}
	}
	if b, err := os.ReadFile("/sys/fs/cgroup/memory.max"); err == nil {
		if n, err := strconv.ParseInt(strings.TrimSpace(string(b)), 10, 64); err == nil {
			total = min(total, n)
		}
	}
	return total
}
