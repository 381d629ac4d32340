package store

import (
	"context"
	"errors"
	"time"
)

// Session is someone who has signed in.
type Session struct {
	ID      string    `json:"id"`
	Agent   string    `json:"agent"`   // what the browser calls itself
	Address string    `json:"address"` // from where
	Created time.Time `json:"created"`
	Seen    time.Time `json:"seen"`
}

// Token lets a script in.
type Token struct {
	ID      string
	Name    string
	Created time.Time
	Used    *time.Time
}

// unseen is after how long a session that was not used ends.
const unseen = 30 * 24 * time.Hour

// Phrase is the pass phrase as it is kept; "" when none is set.
func (s *Store) Phrase(ctx context.Context) (phrase string, err error) {
	err = s.row(ctx, `SELECT phrase FROM door`, nil, &phrase)
	if errors.Is(err, ErrNotFound) {
		return "", nil
	}
	return phrase, err
}

// SetPhrase sets the pass phrase, which ends all sessions.
func (s *Store) SetPhrase(ctx context.Context, phrase string) error {
	_, err := s.exec(ctx, `WITH gone AS (DELETE FROM sessions)
		INSERT INTO door (phrase) VALUES ($1) ON CONFLICT (one) DO UPDATE SET phrase = excluded.phrase`, phrase)
	return err
}

// BeginSession keeps a session under the digest of its secret.
func (s *Store) BeginSession(ctx context.Context, digest []byte, agent, address string) error {
	_, err := s.exec(ctx, `INSERT INTO sessions (id, hash, agent, address) VALUES ($1, $2, $3, $4)`, NewID(), digest, agent, address)
	return err
}

// UseSession finds the session of a digest and notes once a minute that it is
// used.
func (s *Store) UseSession(ctx context.Context, digest []byte) (id string, err error) {
	var seen time.Time
	err = s.row(ctx, `SELECT id, seen FROM sessions WHERE hash = $1 AND seen > now() - $2::interval`, []any{digest, unseen}, &id, &seen)
	if err == nil && time.Since(seen) > time.Minute {
		_, err = s.exec(ctx, `UPDATE sessions SET seen = now() WHERE id = $1`, id)
	}
	return id, err
}

// Sessions lists who is signed in, the last seen first.
func (s *Store) Sessions(ctx context.Context) ([]Session, error) {
	return many[Session](ctx, s, `SELECT id, agent, address, created, seen FROM sessions
		WHERE seen > now() - $1::interval ORDER BY seen DESC LIMIT 500`, unseen)
}

// EndSession ends a session.
func (s *Store) EndSession(ctx context.Context, id string) error {
	n, err := s.exec(ctx, `DELETE FROM sessions WHERE id = $1`, id)
	if err == nil && n == 0 {
		return ErrNotFound
	}
	return err
}

// EndSessions ends all sessions and tells how many there were.
func (s *Store) EndSessions(ctx context.Context) (int, error) {
	n, err := s.exec(ctx, `DELETE FROM sessions`)
	return int(n), err
}

// AddToken keeps a token under the digest of its secret.
func (s *Store) AddToken(ctx context.Context, name string, digest []byte) (id string, err error) {
	id = NewID()
	_, err = s.exec(ctx, `INSERT INTO tokens (id, name, hash) VALUES ($1, $2, $3)`, id, name, digest)
	return id, err
}

// UseToken finds the token of a digest and notes that it is used.
func (s *Store) UseToken(ctx context.Context, digest []byte) (id string, err error) {
	var used *time.Time
	err = s.row(ctx, `SELECT id, used FROM tokens WHERE hash = $1`, []any{digest}, &id, &used)
	if err == nil && (used == nil || time.Since(*used) > time.Minute) {
		_, err = s.exec(ctx, `UPDATE tokens SET used = now() WHERE id = $1`, id)
	}
	return id, err
}

// Tokens lists the tokens.
func (s *Store) Tokens(ctx context.Context) ([]Token, error) {
	return many[Token](ctx, s, `SELECT id, name, created, used FROM tokens ORDER BY created`)
}

// EndToken takes a token back.
func (s *Store) EndToken(ctx context.Context, id string) error {
	n, err := s.exec(ctx, `DELETE FROM tokens WHERE id = $1`, id)
	if err == nil && n == 0 {
		return ErrNotFound
	}
	return err
}
