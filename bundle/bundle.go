// Package bundle reads and writes clips with all their files: a zip with
// clip.json and files/HASH.EXT.
package bundle

import (
	"archive/zip"
	"context"
	"fmt"
	"io"
	"path"
	"strings"

	"billow/core/clip"
	"billow/media"
)

// MaxBytes is the largest bundle that is read, unpacked.
const MaxBytes = 1 << 30

// Bundle is a clip and its files by hash.
type Bundle struct {
	Clip  *clip.Clip
	Files map[string][]byte
}

// File gives a file by its hash.
func (b *Bundle) File(_ context.Context, hash string) ([]byte, error) {
	if f, ok := b.Files[hash]; ok {
		return f, nil
	}
	return nil, fmt.Errorf("the bundle has no file %s", hash)
}

var endings = map[string]string{
	"image/png": "png", "image/jpeg": "jpg", "image/webp": "webp", "image/gif": "gif",
	"audio/wav": "wav", "audio/mpeg": "mp3", "audio/ogg": "ogg", "audio/flac": "flac", "audio/mp4": "m4a",
}

// Write packs a clip. Files are stored as they are, since they are compressed
// already; so equal clips give equal bundles.
func Write(ctx context.Context, w io.Writer, c *clip.Clip, files func(ctx context.Context, hash string) ([]byte, error)) error {
	z := zip.NewWriter(w)
	add := func(name string, b []byte) error {
		f, err := z.CreateHeader(&zip.FileHeader{Name: name, Method: zip.Store})
		if err == nil {
			_, err = f.Write(b)
		}
		return err
	}
	if err := add("clip.json", c.Encode()); err != nil {
		return err
	}
	written := map[string]bool{}
	for _, p := range c.Props {
		if written[p.Hash] {
			continue
		}
		written[p.Hash] = true
		b, err := files(ctx, p.Hash)
		if err != nil {
			return fmt.Errorf("the file of %q is missing: %w", p.Name, err)
		}
		if err := add("files/"+p.Hash+"."+endings[p.Media], b); err != nil {
			return err
		}
	}
	return z.Close()
}

// Read unpacks a bundle and checks it: names, sizes, hashes, and that every
// file of the clip is there.
func Read(r io.ReaderAt, size int64) (*Bundle, error) {
	z, err := zip.NewReader(r, size)
	if err != nil {
		return nil, clip.Fault("bundle", "this is not a bundle: it is not a zip file, or it is cut off")
	}
	b := &Bundle{Files: map[string][]byte{}}
	left := int64(MaxBytes)
	for _, f := range z.File {
		if f.FileInfo().IsDir() {
			continue
		}
		if f.Name != path.Clean(f.Name) || strings.HasPrefix(f.Name, "/") || strings.HasPrefix(f.Name, "..") || strings.Contains(f.Name, "\\") {
			return nil, clip.Fault("bundle", "the name %q leads out of the bundle", f.Name)
		}
		content, err := unpack(f, left)
		if err != nil {
			return nil, clip.Fault("bundle", "%s: %v", f.Name, err)
		}
		left -= int64(len(content))
		if err := b.take(f.Name, content); err != nil {
			return nil, err
		}
	}
	if b.Clip == nil {
		return nil, clip.Fault("bundle", "there is no clip.json in it")
	}
	for _, p := range b.Clip.Props {
		if _, ok := b.Files[p.Hash]; !ok {
			return nil, clip.Fault("bundle", "the file of %q is missing", p.Name)
		}
	}
	return b, nil
}

func unpack(f *zip.File, left int64) ([]byte, error) {
	r, err := f.Open()
	if err != nil {
		return nil, err
	}
	defer r.Close()
	content, err := io.ReadAll(io.LimitReader(r, left+1))
	if err == nil && int64(len(content)) > left {
		err = fmt.Errorf("the bundle holds more than %d MB", MaxBytes>>20)
	}
	return content, err
}

func (b *Bundle) take(name string, content []byte) (err error) {
	if name == "clip.json" {
		b.Clip, err = clip.Parse(content)
		return err
	}
	file, ok := strings.CutPrefix(name, "files/")
	hash, _, _ := strings.Cut(file, ".")
	if !ok || strings.Contains(file, "/") {
		return clip.Fault("bundle", "%q does not belong in a bundle", name)
	}
	if media.Hash(content) != hash {
		return clip.Fault("bundle", "the content of %q is not what its name says; the file may be damaged", name)
	}
	b.Files[hash] = content
	return nil
}
