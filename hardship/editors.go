package hardship

import (
	"bytes"
	"context"
	"encoding/json"
	"fmt"
	"image"
	"image/color"
	"image/png"
	"math/rand/v2"
	"slices"
	"strings"
	"sync"
	"time"
)

// Editors is how long many people waited who edited at once.
type Editors struct {
	People, Edits, Lost int
	P50, P95, P99, Max  time.Duration
	Failures            int
}

// ManyEditors lets people edit their own clips and others one clip together,
// all with pictures in them, each about once in thinking time.
func ManyEditors(ctx context.Context, binary string, own, together int, lasting, thinking time.Duration) (r Editors, err error) {
	b, first, stop, err := running(ctx, binary, nil)
	if err != nil {
		return r, err
	}
	defer stop()
	add, err := b.picture(ctx)
	if err != nil {
		return r, err
	}
	clips := make([]string, own+1)
	clips[0] = first
	for i := range clips {
		if i > 0 {
			if clips[i], err = b.newClip(ctx); err != nil {
				return r, err
			}
		}
		e := &editor{b: b, clip: clips[i], revision: 2}
		if err := e.make(ctx, add); err != nil {
			return r, err
		}
	}
	r.People = own + together
	counts := make([]int, len(clips))
	var mu sync.Mutex
	var waits []time.Duration
	var people sync.WaitGroup
	end := time.Now().Add(lasting)
	for i := range own + together {
		n := min(i, own)
		people.Go(func() {
			e := &editor{b: b, clip: clips[n], revision: 3}
			for {
				pause := time.Duration(rand.Float64() * 2 * float64(thinking))
				select {
				case <-time.After(pause):
				case <-ctx.Done():
					return
				}
				if time.Now().After(end) {
					return
				}
				began := time.Now()
				err := e.make(ctx, pushRight)
				took := time.Since(began)
				mu.Lock()
				if err != nil {
					r.Failures++
				} else {
					counts[n]++
					waits = append(waits, took)
				}
				mu.Unlock()
			}
		})
	}
	people.Wait()
	for i, id := range clips {
		x, _, err := b.pushed(ctx, id)
		if err != nil {
			return r, err
		}
		r.Lost += abs(counts[i] - x)
	}
	r.Edits = len(waits)
	r.P50, r.P95, r.P99, r.Max = quantiles(waits)
	return r, nil
}

func abs(n int) int { return max(n, -n) }

func quantiles(waits []time.Duration) (p50, p95, p99, most time.Duration) {
	if len(waits) == 0 {
		return
	}
	slices.Sort(waits)
	at := func(share float64) time.Duration { return waits[min(len(waits)-1, int(share*float64(len(waits))))] }
	return at(0.5), at(0.95), at(0.99), waits[len(waits)-1]
}

// pushed is how often the shared card of a clip was pushed, and the clip's
// revision.
func (b *Billow) pushed(ctx context.Context, clip string) (times, revision int, err error) {
	var got struct {
		Revision int
		Clip     struct {
			Layers []struct {
				ID   string
				Rest struct{ X float64 }
			}
		}
	}
	if _, err := b.ask(ctx, "GET", "/api/clips/"+clip, nil, &got); err != nil {
		return 0, 0, err
	}
	for _, l := range got.Clip.Layers {
		if l.ID == "shared" {
			return int(8 * l.Rest.X), got.Revision, nil
		}
	}
	return 0, 0, fmt.Errorf("the clip %s has no card", clip)
}

// picture brings a picture in and gives the command that adds it to a clip.
func (b *Billow) picture(ctx context.Context) (string, error) {
	m := image.NewNRGBA(image.Rect(0, 0, 400, 300))
	for x := range 400 {
		m.SetNRGBA(x, x%300, color.NRGBA{200, 80, 20, 255})
	}
	var file bytes.Buffer
	if err := png.Encode(&file, m); err != nil {
		return "", err
	}
	var prop json.RawMessage
	if _, err := b.ask(ctx, "POST", "/api/props?name=cutout.png", &file, &prop); err != nil {
		return "", err
	}
	return `{"type":"addProp","prop":` + strings.TrimSpace(string(prop)) + `}`, nil
}
