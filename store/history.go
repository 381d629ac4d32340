package store

import (
	"context"
	"strings"
	"time"
	"unicode/utf8"

	"billow/core/clip"
)

// Revision is one entry of a clip's history.
type Revision struct {
	Revision int       `json:"revision"`
	Change   string    `json:"change"`
	At       time.Time `json:"at"`
	Name     string    `json:"name"` // that a person has given it
}

// RevisionsPage is how many revisions are listed at once.
const RevisionsPage = 200

// Revisions lists the revisions of a clip before one, the newest first; 0 is
// from the newest on.
func (s *Store) Revisions(ctx context.Context, id string, before int) ([]Revision, error) {
	return many[Revision](ctx, s, `SELECT revision, change, created_at, name FROM revisions
		WHERE clip_id = $1 AND (revision < $2 OR $2 = 0) ORDER BY revision DESC LIMIT $3`, id, before, RevisionsPage)
}

// Stretch is work that was done in one go: revisions with no long pause between
// them. One that has a name ends its stretch.
type Stretch struct {
	First   int       `json:"first"`
	Last    int       `json:"last"`
	From    time.Time `json:"from"`
	To      time.Time `json:"to"`
	Name    string    `json:"name"`    // of the last
	Changes []string  `json:"changes"` // what was done, each once, the newest first
}

const (
	// pause ends a stretch.
	pause = 5 * time.Minute
	// StretchesPage is how many stretches are listed at once.
	StretchesPage = 30
	// mostName is how many letters the name of a revision has.
	mostName = 80
)

// Stretches lists the history of a clip before a revision in stretches, the newest
// first; 0 is from the newest on.
func (s *Store) Stretches(ctx context.Context, id string, before int) ([]Stretch, error) {
	list, err := many[Stretch](ctx, s, `WITH marked AS (
			SELECT revision, change, created_at, name, CASE WHEN
				created_at - lag(created_at) OVER w > $3 OR lag(name) OVER w <> '' THEN 1 ELSE 0 END AS begins
			FROM revisions WHERE clip_id = $1 WINDOW w AS (ORDER BY revision)),
		counted AS (SELECT *, sum(begins) OVER (ORDER BY revision) AS stretch FROM marked)
		SELECT min(revision), max(revision), min(created_at), max(created_at), max(name), array_agg(change ORDER BY revision DESC)
		FROM counted WHERE revision < $2 OR $2 = 0 GROUP BY stretch ORDER BY stretch DESC LIMIT $4`, id, before, pause, StretchesPage)
	for i := range list {
		list[i].Changes = once(list[i].Changes)
	}
	return list, err
}

// once is a list without what it has said already.
func once(list []string) []string {
	said := map[string]bool{}
	out := list[:0]
	for _, s := range list {
		if !said[s] {
			said[s] = true
			out = append(out, s)
		}
	}
	return out
}

// NameRevision gives a revision a name, by which it is found again; an empty one
// takes its name away.
func (s *Store) NameRevision(ctx context.Context, id string, revision int, name string) error {
	name = strings.TrimSpace(name)
	if utf8.RuneCountInString(name) > mostName {
		return clip.Fault("name", "the name of a revision has at most %d letters", mostName)
	}
	return s.found(ctx, `UPDATE revisions SET name = $3 WHERE clip_id = $1 AND revision = $2`, id, revision, name)
}
