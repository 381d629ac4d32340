package clip

import (
	"slices"
	"testing"
)

// Parts take turns in an order: forward, from either end, or each once at random.
func TestPartsTakeTurns(t *testing.T) {
	for order, want := range map[string][]int{"backward": {4, 3, 2, 1, 0}, "centre": {2, 1, 0, 1, 2}, "edges": {0, 1, 2, 1, 0}} {
		if ranks, most := turns(order, 0, make([]int, 5)); !slices.Equal(ranks, want) || most != slices.Max(want) {
			t.Errorf("%s gives the turns %v up to %d, want %v", order, ranks, most, want)
		}
	}
	// Each line has a middle of its own.
	if ranks, _ := turns("centre", 0, []int{0, 0, 0, 1, 1, 1, 1, 1}); !slices.Equal(ranks, []int{1, 0, 1, 2, 1, 0, 1, 2}) {
		t.Errorf("from the middle of two lines the turns are %v", ranks)
	}
	ranks, _ := turns("random", 7, make([]int, 40))
	sorted := slices.Sorted(slices.Values(ranks))
	for i, r := range sorted {
		if i != r {
			t.Fatalf("at random the turns are %v", ranks)
		}
	}
}
