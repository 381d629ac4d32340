package store

import (
	"context"
	"errors"
	"fmt"
	"io"

	"github.com/jackc/pgx/v5"
)

// chunkBytes is the size of all chunks of a file but the last.
const chunkBytes = 1 << 20

// PutFile stores a file under its hash; one that is there already is kept.
func (s *Store) PutFile(ctx context.Context, hash, media string, r io.Reader) error {
	return pgx.BeginFunc(ctx, s.Pool, func(tx pgx.Tx) error { return putFile(ctx, tx, hash, media, r) })
}

func putFile(ctx context.Context, tx pgx.Tx, hash, media string, r io.Reader) error {
	n, err := soon(ctx, tx, `INSERT INTO files (hash, media, bytes) VALUES ($1, $2, 0) ON CONFLICT DO NOTHING`, hash, media)
	if err == nil && n == 0 {
		_, err = soon(ctx, tx, `UPDATE files SET needed = now() WHERE hash = $1`, hash)
	}
	if err != nil || n == 0 {
		return err
	}
	buf, total := make([]byte, chunkBytes), int64(0)
	for n := 0; ; n++ {
		k, err := io.ReadFull(r, buf)
		if k > 0 {
			total += int64(k)
			if _, err := soon(ctx, tx, `INSERT INTO file_chunks (hash, n, data) VALUES ($1, $2, $3)`, hash, n, buf[:k]); err != nil {
				return err
			}
		}
		if errors.Is(err, io.EOF) || errors.Is(err, io.ErrUnexpectedEOF) {
			break
		}
		if err != nil {
			return err
		}
	}
	_, err = soon(ctx, tx, `UPDATE files SET bytes = $2 WHERE hash = $1`, hash, total)
	return err
}

// soon runs a statement of a transaction that takes as long as a file is large,
// each statement in time.
func soon(ctx context.Context, tx pgx.Tx, sql string, args ...any) (int64, error) {
	ctx, cancel := within(ctx)
	defer cancel()
	tag, err := tx.Exec(ctx, sql, args...)
	return tag.RowsAffected(), err
}

// File is a stored file; it reads chunks as they are needed.
type File struct {
	Hash, Media string
	Bytes       int64

	ctx   context.Context
	store *Store
	at    int64
	chunk []byte // holds chunk number n
	n     int64
}

// OpenFile finds a file. It implements io.ReadSeeker.
func (s *Store) OpenFile(ctx context.Context, hash string) (*File, error) {
	f := &File{Hash: hash, ctx: ctx, store: s, n: -1}
	err := s.row(ctx, `SELECT media, bytes FROM files WHERE hash = $1`, []any{hash}, &f.Media, &f.Bytes)
	return f, err
}

func (f *File) Read(p []byte) (int, error) {
	if f.at >= f.Bytes {
		return 0, io.EOF
	}
	if n := f.at / chunkBytes; n != f.n {
		err := f.store.row(f.ctx, `SELECT data FROM file_chunks WHERE hash = $1 AND n = $2`, []any{f.Hash, n}, &f.chunk)
		if err != nil {
			return 0, fmt.Errorf("a part of the file %s is missing: %w", f.Hash, err)
		}
		f.n = n
	}
	k := copy(p, f.chunk[f.at%chunkBytes:])
	f.at += int64(k)
	return k, nil
}

// Seek moves to an offset.
func (f *File) Seek(offset int64, whence int) (int64, error) {
	switch whence {
	case io.SeekCurrent:
		offset += f.at
	case io.SeekEnd:
		offset += f.Bytes
	}
	if offset < 0 {
		return 0, errors.New("the offset lies before the file")
	}
	f.at = offset
	return offset, nil
}

// Close is there to be called; nothing is held between reads.
func (f *File) Close() error { return nil }

// Open is OpenFile for those who read a file from its start on.
func (s *Store) Open(ctx context.Context, hash string) (io.ReadCloser, error) {
	return s.OpenFile(ctx, hash)
}

// PartBytes is how many bytes a part of a file has, but for the last.
const PartBytes = chunkBytes

// FilePart is part number n of a file.
func (s *Store) FilePart(ctx context.Context, hash string, n int) (b []byte, err error) {
	err = s.row(ctx, `SELECT data FROM file_chunks WHERE hash = $1 AND n = $2`, []any{hash, n}, &b)
	return b, err
}
