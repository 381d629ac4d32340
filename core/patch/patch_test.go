package patch

import (
	"encoding/json"
	"fmt"
	"math/rand"
	"slices"
	"testing"
)

func tree(t testing.TB, doc string) any {
	t.Helper()
	v, err := Tree([]byte(doc))
	if err != nil {
		t.Fatal(err)
	}
	return v
}

func written(t testing.TB, v any) string {
	t.Helper()
	b, err := json.Marshal(v)
	if err != nil {
		t.Fatal(err)
	}
	return string(b)
}

// What is undone after someone else has worked on is worked out by hand here.
func TestAPatchTouchesOnlyWhatItChanged(t *testing.T) {
	for name, c := range map[string]struct{ before, after, now, want, clash string }{
		"another field": {
			`{"lift":10,"name":"Mug"}`, `{"lift":20,"name":"Mug"}`, `{"lift":20,"name":"Cup"}`, `{"lift":10,"name":"Cup"}`, `[]`,
		},
		"the same value": {
			`{"lift":10}`, `{"lift":20}`, `{"lift":30}`, `{"lift":30}`, `[["lift"]]`,
		},
		"someone did the same": {
			`{"lift":10}`, `{"lift":20}`, `{"lift":10}`, `{"lift":10}`, `[]`,
		},
		"an added layer goes, a foreign one stays": {
			`{"layers":[{"id":"a"}]}`, `{"layers":[{"id":"a"},{"id":"b"}]}`, `{"layers":[{"id":"a"},{"id":"b"},{"id":"c"}]}`,
			`{"layers":[{"id":"a"},{"id":"c"}]}`, `[]`,
		},
		"an added layer that someone has changed stays": {
			`{"layers":[{"id":"a"}]}`, `{"layers":[{"id":"a"},{"id":"b","lift":1}]}`, `{"layers":[{"id":"a"},{"id":"b","lift":2}]}`,
			`{"layers":[{"id":"a"},{"id":"b","lift":2}]}`, `[["layers","b"]]`,
		},
		"a deleted layer comes back to its place": {
			`{"layers":[{"id":"a"},{"id":"b"},{"id":"c"}]}`, `{"layers":[{"id":"a"},{"id":"c"}]}`, `{"layers":[{"id":"a"},{"id":"x"},{"id":"c"}]}`,
			`{"layers":[{"id":"a"},{"id":"x"},{"id":"b"},{"id":"c"}]}`, `[]`,
		},
		"a restacked layer goes back though others came": {
			`{"layers":[{"id":"a"},{"id":"b"},{"id":"c"}]}`, `{"layers":[{"id":"c"},{"id":"a"},{"id":"b"}]}`,
			`{"layers":[{"id":"c"},{"id":"a"},{"id":"b"},{"id":"x"}]}`, `{"layers":[{"id":"a"},{"id":"b"},{"id":"x"},{"id":"c"}]}`, `[]`,
		},
		"a moved key goes back": {
			`{"k":[{"at":10,"v":1},{"at":20,"v":2}]}`, `{"k":[{"at":20,"v":2},{"at":30,"v":1}]}`, `{"k":[{"at":20,"v":5},{"at":30,"v":1}]}`,
			`{"k":[{"at":10,"v":1},{"at":20,"v":5}]}`, `[]`,
		},
		"a moved key that someone moved on stays, once": {
			`{"k":[{"at":10,"v":1},{"at":20,"v":2}]}`, `{"k":[{"at":20,"v":2},{"at":30,"v":1}]}`, `{"k":[{"at":20,"v":2},{"at":40,"v":1}]}`,
			`{"k":[{"at":20,"v":2},{"at":40,"v":1}]}`, `[["k"]]`,
		},
		"what was in a deleted layer": {
			`{"layers":[{"id":"a","lift":1}]}`, `{"layers":[{"id":"a","lift":2}]}`, `{"layers":[]}`, `{"layers":[]}`, `[["layers","a","lift"]]`,
		},
		"a list of numbers is one value": {
			`{"beats":[1,2]}`, `{"beats":[1,2,3]}`, `{"beats":[1,2,3]}`, `{"beats":[1,2]}`, `[]`,
		},
		"null is a value": {
			`{"to":null}`, `{"to":5}`, `{"to":5}`, `{"to":null}`, `[]`,
		},
		"what held it is gone": {
			`{"a":{"b":1}}`, `{"a":{}}`, `{"a":null}`, `{"a":null}`, `[["a","b"]]`,
		},
		"a field that was not there": {
			`{}`, `{"to":5}`, `{"to":5}`, `{}`, `[]`,
		},
	} {
		t.Run(name, func(t *testing.T) {
			undo := Diff(nil, tree(t, c.before), tree(t, c.after)).Inverse()
			got, clashes, err := Apply(tree(t, c.now), undo)
			if err != nil {
				t.Fatal(err)
			}
			if written(t, got) != c.want {
				t.Errorf("the document is %s, want %s", written(t, got), c.want)
			}
			if clashes == nil {
				clashes = [][]string{}
			}
			if written(t, clashes) != c.clash {
				t.Errorf("the clashes are %s, want %s", written(t, clashes), c.clash)
			}
		})
	}
}

func TestAPatchChangesEverythingOnce(t *testing.T) {
	var twice Patch
	if err := json.Unmarshal([]byte(`[{"at":["a"],"from":1,"to":2},{"at":["a"],"from":2,"to":3}]`), &twice); err != nil {
		t.Fatal(err)
	}
	if _, _, err := Apply(tree(t, `{"a":1}`), twice); err == nil {
		t.Error("a value was changed twice")
	}
}

// anything is a random tree, with lists of all three kinds in it.
func anything(r *rand.Rand, depth int) any {
	kind := r.Intn(9)
	if depth <= 0 {
		kind = r.Intn(4)
	}
	switch kind {
	case 0:
		return nil
	case 1:
		return json.Number(fmt.Sprint(r.Intn(4)))
	case 2:
		return []string{"", "a", "b"}[r.Intn(3)]
	case 3:
		return r.Intn(2) == 0
	case 4:
		out := []any{}
		for range r.Intn(3) {
			out = append(out, anything(r, depth-1))
		}
		return out
	case 5, 6:
		field := []string{"id", "at"}[kind-5]
		out := []any{}
		for _, n := range r.Perm(6)[:r.Intn(5)] {
			item := map[string]any{"v": anything(r, depth-2)}
			if field == "id" {
				item["id"] = fmt.Sprint(n)
			} else {
				item["at"] = json.Number(fmt.Sprint(n))
			}
			out = append(out, item)
		}
		return out
	}
	out := map[string]any{}
	for range r.Intn(4) {
		out[string(rune('k'+r.Intn(5)))] = anything(r, depth-1)
	}
	return out
}

// changed is a tree with a few differences.
func changed(r *rand.Rand, v any, depth int) any {
	if r.Intn(8) == 0 {
		return anything(r, depth)
	}
	switch v := v.(type) {
	case map[string]any:
		out := map[string]any{}
		for n, f := range v {
			if n == "id" || n == "at" {
				out[n] = f
			} else if r.Intn(10) > 0 {
				out[n] = changed(r, f, depth-1)
			}
		}
		return out
	case []any:
		var out []any
		for _, i := range r.Perm(len(v)) {
			if r.Intn(6) > 0 {
				out = append(out, changed(r, v[i], depth-1))
			}
		}
		return append([]any{}, out...)
	}
	return v
}

func TestDifferencesLeadThereAndBack(t *testing.T) {
	r := rand.New(rand.NewSource(4))
	for n := range 20000 {
		from := anything(r, 5)
		to := changed(r, from, 5)
		a, b := written(t, from), written(t, to)
		p := Diff(nil, tree(t, a), tree(t, b))
		for _, way := range []struct {
			p        Patch
			from, to string
		}{{p, a, b}, {p.Inverse(), b, a}} {
			got, clashes, err := Apply(tree(t, way.from), way.p)
			if err != nil || len(clashes) > 0 || written(t, got) != way.to {
				t.Fatalf("%d: from %s\nto %s\nby %s\ngives %s, %v, %v", n, way.from, way.to, written(t, way.p), written(t, got), clashes, err)
			}
		}
		if (a == b) != (len(p) == 0) {
			t.Fatalf("%s and %s differ by %s", a, b, written(t, p))
		}
	}
}

// Of two people who change different things of one document, either may undo
// and finds the other's work untouched.
func TestUndoLeavesTheOthersWork(t *testing.T) {
	r := rand.New(rand.NewSource(5))
	for range 5000 {
		both := map[string]any{"mine": anything(r, 4), "theirs": anything(r, 4)}
		mine := map[string]any{"mine": changed(r, both["mine"], 4), "theirs": both["theirs"]}
		then := map[string]any{"mine": mine["mine"], "theirs": changed(r, mine["theirs"], 4)}
		undo := Diff(nil, tree(t, written(t, both)), tree(t, written(t, mine))).Inverse()
		got, clashes, err := Apply(tree(t, written(t, then)), undo)
		want := map[string]any{"mine": both["mine"], "theirs": then["theirs"]}
		if err != nil || len(clashes) > 0 || written(t, got) != written(t, want) {
			t.Fatalf("undoing gives %s, %v, %v; want %s", written(t, got), clashes, err, written(t, want))
		}
	}
}

// Whatever someone sends as a patch, it ends in a document or an error.
func FuzzApply(f *testing.F) {
	f.Add(`{"layers":[{"id":"a","k":[{"at":1},{"at":2}]}]}`, `[{"at":["layers","a","k","1"],"from":{"at":1}},{"at":["layers","a","k"],"to":["2"],"order":true}]`)
	f.Add(`{"a":[1,2]}`, `[{"at":[],"to":3},{"at":["a","0"],"to":1},{"at":["a"],"order":true,"to":{}}]`)
	f.Add(`[{"id":"x"}]`, `[{"at":["x","y","z"],"from":null},{"at":["x"],"from":{"id":"x"}},{"at":["x"],"to":{"id":"y"}}]`)
	f.Fuzz(func(t *testing.T, doc, text string) {
		v, err := Tree([]byte(doc))
		var p Patch
		if err != nil || json.Unmarshal([]byte(text), &p) != nil {
			return
		}
		got, clashes, err := Apply(v, p)
		if err == nil {
			if _, err := Tree([]byte(written(t, got))); err != nil {
				t.Errorf("%s on %s cannot be read back: %v", text, doc, err)
			}
		}
		if slices.ContainsFunc(clashes, func(way []string) bool { return way == nil && len(p) == 0 }) {
			t.Error("a clash without a change")
		}
	})
}
