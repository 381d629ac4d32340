package store_test

import (
	"context"
	"fmt"
	"testing"

	"billow/core/clip"
	"billow/core/motion"
	"billow/core/timing"
	"billow/store"
)

// BenchmarkHistory is by how much the database grows with 10,000 edits of a
// clip with 1,200 keys (60 layers with 20 each), the write-ahead log apart, and
// how long the last revision takes to read for who remembers nothing.
func BenchmarkHistory(b *testing.B) {
	ctx := context.Background()
	tall, _ := clip.StandardShape("tall")
	c := clip.New("Crowd", tall, 30, 600)
	for i := range 60 {
		l := clip.Draft(c, clip.KindCard, "", "", "")
		l.ID = fmt.Sprintf("card-%d", i)
		for k := range 20 {
			l.Tracks[clip.Position] = append(l.Tracks[clip.Position], motion.Key{
				At: timing.At(k * 30), Value: []float64{float64(k), 0}, Ease: motion.Ease{Kind: motion.InOut},
			})
		}
		c.Layers = append(c.Layers, l)
	}
	size := func() (bytes int64) {
		if err := db.Pool.QueryRow(ctx, `SELECT pg_total_relation_size('clips') + pg_total_relation_size('revisions') + pg_total_relation_size('clip_files')`).Scan(&bytes); err != nil {
			b.Fatal(err)
		}
		return bytes
	}
	const edits = 10000
	for range b.N {
		id := store.NewID()
		if err := db.CreateClip(ctx, id, c, "New"); err != nil {
			b.Fatal(err)
		}
		before := size()
		for n := range edits {
			by := 3 - 6*(n/60%2) // there and back
			command := fmt.Sprintf(`{"type":"moveKeys","keys":[{"layer":"card-%d","property":"position","frame":%d}],"by":%d}`, n%60, 300+3*(n/60%2), by)
			out, err := db.Edit(ctx, id, n+1, []store.Edit{{ID: fmt.Sprintf("edit-%06d", n), Command: []byte(command)}})
			if err != nil || out.Verdicts[0].Refused != nil {
				b.Fatal(out, err)
			}
		}
		b.ReportMetric(float64(size()-before)/1e6, "MB")
		b.ReportMetric(b.Elapsed().Seconds()*1000/edits, "ms/edit")
	}
}

// BenchmarkStateFromNothing is how long it takes to read a clip of 1,200 keys
// 99 edits after its last whole document.
func BenchmarkStateFromNothing(b *testing.B) {
	ctx := context.Background()
	var id string
	var revision int
	err := db.Pool.QueryRow(ctx, `SELECT id, revision FROM clips WHERE name = 'Crowd' LIMIT 1`).Scan(&id, &revision)
	if err != nil {
		b.Fatal("BenchmarkHistory has to run first: ", err)
	}
	revision = revision/100*100 - 1
	b.ResetTimer()
	for range b.N {
		if _, err := db.StateAt(ctx, id, revision); err != nil {
			b.Fatal(err)
		}
	}
}
