// Package bundle reads and writes clips with all their files: a zip with
// clip.json and files/HASH.EXT, and cuts.json when some of them were cut out of photos.
package bundle

import (
	"archive/zip"
	"bufio"
	"bytes"
	"context"
	"crypto/sha256"
	"encoding/hex"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"path"
	"strings"

	"billow/core/clip"
	"billow/core/cutout"
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
	Cuts  []cutout.Kept        // by which some of the files were made
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

// Write packs a clip, and the cuts by which some of its files were made, with their photos.
// Files are stored as they are, since they are compressed already; so equal clips give equal
// bundles.
func Write(ctx context.Context, w io.Writer, c *clip.Clip, cuts []cutout.Kept, open func(ctx context.Context, hash string) (io.ReadCloser, error)) error {
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
	if len(cuts) > 0 {
		list, err := json.Marshal(cuts)
		if err != nil {
			return err
		}
		if err := add("cuts.json", bytes.NewReader(list)); err != nil {
			return err
		}
	}
	written := map[string]bool{}
	for _, p := range needed(c, cuts) {
		if written[p.hash] {
			continue
		}
		written[p.hash] = true
		if err := addFile(ctx, add, p, open); err != nil {
			return fmt.Errorf("the file of %q is missing: %w", p.name, err)
		}
	}
	return z.Close()
}

// need is a file that belongs into a bundle.
type need struct {
	hash, name string
	media      string // where it is known
}

// needed are the files of a clip and of the cuts that go along.
func needed(c *clip.Clip, cuts []cutout.Kept) (list []need) {
	for _, p := range c.Props {
		list = append(list, need{p.Hash, p.Name, p.Media})
	}
	for _, k := range cuts {
		list = append(list, need{hash: k.Photo, name: k.Name}, need{hash: k.Result, name: k.Name})
		if k.Shadow != "" {
			list = append(list, need{hash: k.Shadow, name: "Shadow of " + k.Name})
		}
	}
	return list
}

func addFile(ctx context.Context, add func(name string, r io.Reader) error, n need, open func(ctx context.Context, hash string) (io.ReadCloser, error)) error {
	r, err := open(ctx, n.hash)
	if err != nil {
		return err
	}
	defer r.Close()
	in := bufio.NewReader(r)
	if n.media == "" {
		head, _ := in.Peek(64)
		n.media, _ = media.Kind(head)
	}
	return add("files/"+n.hash+"."+endings[n.media], in)
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
	if err := cutout.CheckKept(b.Cuts); err != nil {
		return nil, err
	}
	for _, n := range needed(b.Clip, b.Cuts) {
		if b.files[n.hash] == nil {
			return nil, clip.Fault("bundle", "the file of %q is missing", n.name)
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
	switch f.Name {
	case "clip.json":
		return b.takeClip(r)
	case "cuts.json":
		return b.takeCuts(r)
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

func (b *Bundle) takeCuts(r io.Reader) (int64, error) {
	if b.Cuts != nil {
		return 0, clip.Fault("bundle", "there are two cuts.json in it")
	}
	content, err := io.ReadAll(io.LimitReader(r, clip.MaxBytes+1))
	if err == nil {
		err = json.Unmarshal(content, &b.Cuts)
	}
	if err != nil || len(b.Cuts) > MaxFiles || bytes.Contains(content, []byte(`\u0000`)) { // which no database keeps
		return 0, clip.Fault("bundle", "cuts.json cannot be read; the bundle may be damaged")
	}
	return int64(len(content)), nil
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
