// Package bundle reads and writes clips with all their files: a zip with
// clip.json and files/HASH.EXT.
package bundle

import (
	"archive/zip"
	"context"
	"crypto/sha256"
	"encoding/hex"
	"errors"
	"fmt"
	"io"
	"path"
	"strings"

	"billow/core/clip"
	"billow/media"
)

// Limits of a bundle.
const (
	MaxBytes = 3 << 30 // all of it, packed or unpacked
	MaxFile  = 2 << 30 // one file, unpacked
	MaxFiles = 2000
)

// Bundle is a clip and its files, which stay in the zip until they are read.
type Bundle struct {
	Clip  *clip.Clip
	files map[string]*zip.File // by hash
}

// Open reads a file by its hash. Read has checked that its content is what the
// hash says.
func (b *Bundle) Open(_ context.Context, hash string) (io.ReadCloser, error) {
	f, ok := b.files[hash]
	if !ok {
		return nil, fmt.Errorf("the bundle has no file %s", hash)
	}
	return f.Open()
}

var endings = map[string]string{
	"image/png": "png", "image/jpeg": "jpg", "image/webp": "webp", "image/gif": "gif",
	"audio/wav": "wav", "audio/mpeg": "mp3", "audio/ogg": "ogg", "audio/flac": "flac", "audio/mp4": "m4a",
	"video/quicktime": "mov", "video/mp4": "mp4", "video/webm": "webm", "font/ttf": "ttf", "font/otf": "otf", "text/x-cube": "cube",
}

// Write packs a clip. Files are stored as they are, since they are compressed
// already; so equal clips give equal bundles.
func Write(ctx context.Context, w io.Writer, c *clip.Clip, open func(ctx context.Context, hash string) (io.ReadCloser, error)) error {
	z := zip.NewWriter(w)
	add := func(name string, r io.Reader) error {
		f, err := z.CreateHeader(&zip.FileHeader{Name: name, Method: zip.Store})
		if err == nil {
			_, err = io.Copy(f, r)
		}
		return err
	}
	if err := add("clip.json", strings.NewReader(string(c.Encode()))); err != nil {
		return err
	}
	written := map[string]bool{}
	for _, p := range c.Props {
		if written[p.Hash] {
			continue
		}
		written[p.Hash] = true
		r, err := open(ctx, p.Hash)
		if err != nil {
			return fmt.Errorf("the file of %q is missing: %w", p.Name, err)
		}
		err = add("files/"+p.Hash+"."+endings[p.Media], r)
		r.Close()
		if err != nil {
			return err
		}
	}
	return z.Close()
}

// Read checks a bundle: names, sizes, that files are what their names say, and
// that every file of the clip is there. It holds none of them in memory, and
// how much is read of them is limited by what comes out, not by what the zip
// says of itself.
func Read(r io.ReaderAt, size int64) (*Bundle, error) {
	z, err := zip.NewReader(r, size)
	if err != nil {
		return nil, clip.Fault("bundle", "this is not a bundle: it is not a zip file, or it is cut off")
	}
	if len(z.File) > MaxFiles {
		return nil, clip.Fault("bundle", "it holds more than %d files", MaxFiles)
	}
	b := &Bundle{files: map[string]*zip.File{}}
	left := int64(MaxBytes)
	for _, f := range z.File {
		if f.FileInfo().IsDir() {
			continue
		}
		if f.Name != path.Clean(f.Name) || strings.HasPrefix(f.Name, "/") || strings.HasPrefix(f.Name, "..") || strings.Contains(f.Name, "\\") {
			return nil, clip.Fault("bundle", "the name %q leads out of the bundle", f.Name)
		}
		n, err := b.take(f, min(left, MaxFile))
		if err != nil {
			return nil, err
		}
		left -= n
	}
	if b.Clip == nil {
		return nil, clip.Fault("bundle", "there is no clip.json in it")
	}
	for _, p := range b.Clip.Props {
		if b.files[p.Hash] == nil {
			return nil, clip.Fault("bundle", "the file of %q is missing", p.Name)
		}
	}
	return b, nil
}

// take looks at one file of the zip and gives how many bytes came out of it.
func (b *Bundle) take(f *zip.File, most int64) (int64, error) {
	r, err := f.Open()
	if err != nil {
		return 0, clip.Fault("bundle", "%s cannot be unpacked; the bundle may be damaged", f.Name)
	}
	defer r.Close()
	if f.Name == "clip.json" {
		return b.takeClip(r)
	}
	file, ok := strings.CutPrefix(f.Name, "files/")
	hash, _, _ := strings.Cut(file, ".")
	if !ok || strings.Contains(file, "/") {
		return 0, clip.Fault("bundle", "%q does not belong in a bundle", f.Name)
	}
	if b.files[hash] != nil {
		return 0, clip.Fault("bundle", "%s is there twice", f.Name)
	}
	n, err := check(r, hash, most)
	if err != nil {
		return n, clip.Fault("bundle", "%s: %v", f.Name, err)
	}
	b.files[hash] = f
	return n, nil
}

func (b *Bundle) takeClip(r io.Reader) (int64, error) {
	if b.Clip != nil {
		return 0, clip.Fault("bundle", "there are two clip.json in it")
	}
	content, err := io.ReadAll(io.LimitReader(r, clip.MaxBytes+1))
	if err != nil {
		return 0, clip.Fault("bundle", "clip.json cannot be unpacked; the bundle may be damaged")
	}
	b.Clip, err = clip.Parse(content)
	return int64(len(content)), err
}

// check reads a file to its end if it is of a kind that belongs into bundles.
func check(r io.Reader, hash string, most int64) (int64, error) {
	head := make([]byte, 64)
	n, err := io.ReadFull(r, head)
	if err != nil && !errors.Is(err, io.ErrUnexpectedEOF) && !errors.Is(err, io.EOF) {
		return 0, errors.New("it cannot be unpacked; the bundle may be damaged")
	}
	head = head[:n]
	if _, kind := media.Kind(head); kind == "" {
		return 0, errors.New("it is neither a picture nor a tune that Billow reads")
	}
	sum := sha256.New()
	sum.Write(head)
	rest, err := io.Copy(sum, io.LimitReader(r, most-int64(n)+1))
	total := int64(n) + rest
	switch {
	case total > most:
		return total, fmt.Errorf("what is in it is larger than %d MB", most>>20)
	case err != nil:
		return total, errors.New("it cannot be unpacked; the bundle may be damaged")
	case hex.EncodeToString(sum.Sum(nil)) != hash:
		return total, errors.New("its content is not what its name says; the file may be damaged")
	}
	return total, nil
}

// Intake examines all files of a bundle as if each was brought in by itself,
// hands over what is to be kept, and changes the clip accordingly: what a
// bundle says of its files is not believed.
func (b *Bundle) Intake(ctx context.Context, limits media.Limits, keep func(p clip.Prop, s *media.Spool) error) error {
	for i := range b.Clip.Props {
		p := &b.Clip.Props[i]
		if err := b.intake(ctx, p, limits, keep); err != nil {
			return err
		}
	}
	return b.Clip.Validate()
}

func (b *Bundle) intake(ctx context.Context, p *clip.Prop, limits media.Limits, keep func(p clip.Prop, s *media.Spool) error) error {
	r, err := b.Open(ctx, p.Hash)
	if err != nil {
		return err
	}
	defer r.Close()
	s, err := media.NewSpool(r, MaxFile)
	if err != nil {
		return err
	}
	defer s.Close()
	found, kept, err := media.Examine(ctx, p.Name, s, limits)
	if err != nil {
		return err
	}
	if kept != s {
		defer kept.Close()
	}
	if found.Kind != p.Kind {
		return clip.Fault("bundle", "%q is said to be a %s and is a %s", p.Name, p.Kind, found.Kind)
	}
	p.Hash, p.Media = found.Hash, found.Media
	if found.Footage != nil {
		if p.Footage != nil {
			found.Footage.Sound = p.Footage.Sound // where its sound is, if it is anywhere
		}
		p.Footage = found.Footage
	}
	if found.Picture != nil {
		p.Picture = found.Picture
	} else {
		p.Sound.Seconds = found.Sound.Seconds // its beats may have been corrected by hand
	}
	found.ID, found.Name, found.Credit = p.ID, p.Name, p.Credit
	return keep(found, kept)
}
