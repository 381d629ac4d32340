package store

import (
	"container/list"
	"context"
	"encoding/json"
	"fmt"
	"sync"

	"billow/core/clip"
	"billow/core/patch"

	"github.com/jackc/pgx/v5"
)

// State is a clip at a revision. Its clip is shared by all who ask: it is
// copied before it is changed.
type State struct {
	ID       string
	Revision int
	Clip     *clip.Clip
	bytes    int  // about what it takes, as JSON
	stale    bool // the document is stored in an older form, onto which changes do not fit
}

// State is the newest revision of a clip.
func (s *Store) State(ctx context.Context, id string) (*State, error) {
	ctx, cancel := within(ctx)
	defer cancel()
	var now int
	if err := s.Pool.QueryRow(ctx, `SELECT revision FROM clips WHERE id = $1 AND deleted IS NULL`, id).Scan(&now); err != nil {
		return nil, one(err)
	}
	if st := s.states.get(id); st != nil && st.Revision == now {
		return st, nil
	}
	st, err := stateAt(ctx, s.Pool, id, now)
	if err == nil {
		s.states.put(st)
	}
	return st, err
}

// StateAt is a clip as it was at a revision.
func (s *Store) StateAt(ctx context.Context, id string, revision int) (*State, error) {
	ctx, cancel := within(ctx)
	defer cancel()
	return stateAt(ctx, s.Pool, id, revision)
}

// querier is a pool or a transaction.
type querier interface {
	Query(ctx context.Context, sql string, args ...any) (pgx.Rows, error)
}

// stateAt reads the last whole document up to a revision and carries over to it
// what has changed since. It depends on what was changed alone, not on what
// commands mean, so an old revision stays what it was.
func stateAt(ctx context.Context, q querier, id string, revision int) (*State, error) {
	rows, err := q.Query(ctx, `SELECT revision, doc, patch FROM revisions WHERE clip_id = $1 AND revision <= $2 AND revision >=
		(SELECT max(revision) FROM revisions WHERE clip_id = $1 AND revision <= $2 AND doc IS NOT NULL) ORDER BY revision`, id, revision)
	if err != nil {
		return nil, err
	}
	type step struct {
		Revision   int
		Doc, Patch json.RawMessage
	}
	steps, err := pgx.CollectRows(rows, pgx.RowToStructByPos[step])
	if err != nil {
		return nil, err
	}
	if len(steps) == 0 || steps[len(steps)-1].Revision != revision {
		return nil, ErrNotFound
	}
	tree, err := patch.Tree(steps[0].Doc)
	if err != nil {
		return nil, err
	}
	for _, st := range steps[1:] {
		var p patch.Patch
		if err := json.Unmarshal(st.Patch, &p); err != nil {
			return nil, err
		}
		var clashes [][]string
		if tree, clashes, err = patch.Apply(tree, p); err != nil || len(clashes) > 0 {
			return nil, fmt.Errorf("revision %d of the clip %s does not follow from the one before it (%v, %v)", st.Revision, id, clashes, err)
		}
	}
	return stateOf(id, revision, tree)
}

func stateOf(id string, revision int, tree any) (*State, error) {
	doc, err := json.Marshal(tree)
	if err != nil {
		return nil, err
	}
	c, err := clip.Parse(doc)
	if err != nil {
		return nil, err
	}
	now, err := patch.TreeOf(c)
	if err != nil {
		return nil, err
	}
	return &State{id, revision, c, len(doc), len(patch.Diff(nil, tree, now)) > 0}, nil
}

// stateBytes is how much of clips is kept at hand, counted as JSON.
const stateBytes = 48 << 20

// states keeps the clips that were used last.
type states struct {
	mu    sync.Mutex
	of    map[string]*list.Element // of *State
	order *list.List               // the last used first
	bytes int
}

func (k *states) get(id string) *State {
	k.mu.Lock()
	defer k.mu.Unlock()
	e, ok := k.of[id]
	if !ok {
		return nil
	}
	k.order.MoveToFront(e)
	return e.Value.(*State)
}

func (k *states) put(st *State) {
	k.mu.Lock()
	defer k.mu.Unlock()
	if k.of == nil {
		k.of, k.order = map[string]*list.Element{}, list.New()
	}
	if e, ok := k.of[st.ID]; ok {
		if e.Value.(*State).Revision > st.Revision {
			return
		}
		k.drop(e)
	}
	k.of[st.ID] = k.order.PushFront(st)
	k.bytes += st.bytes
	for k.bytes > stateBytes && k.order.Len() > 1 {
		k.drop(k.order.Back())
	}
}

func (k *states) drop(e *list.Element) {
	st := k.order.Remove(e).(*State)
	delete(k.of, st.ID)
	k.bytes -= st.bytes
}
