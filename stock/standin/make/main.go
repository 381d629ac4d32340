// Command make draws, films and plays the things of the stock shelf's stand-in and keeps them beside it,
// small, with a list of what they are. With the kind or the ID of some it makes only those anew.
package main

import (
	"bytes"
	"encoding/json"
	"fmt"
	"image"
	"image/jpeg"
	"image/png"
	"log"
	"os"
	"os/exec"
	"path/filepath"
	"strings"

	"billow/core/colour"
	"billow/demo/film"
	"billow/demo/synth"
	"billow/media"
	"billow/stock"
)

// dir is where they are kept: go generate is run beside it.
const dir = "things"

func main() {
	log.SetFlags(0)
	if err := os.MkdirAll(dir, 0o755); err != nil {
		log.Fatal(err)
	}
	known := map[string]stock.Thing{}
	if b, err := os.ReadFile(filepath.Join(dir, "things.json")); err == nil {
		var list []stock.Thing
		if err := json.Unmarshal(b, &list); err != nil {
			log.Fatal(err)
		}
		for _, t := range list {
			known[t.ID] = t
		}
	}
	var all []stock.Thing
	keep := func(t stock.Thing, make func(t *stock.Thing) error) {
		if old, ok := known[t.ID]; ok && len(os.Args) > 1 && os.Args[1] != t.Kind && os.Args[1] != t.ID {
			t.Colours, t.Bytes, t.File, t.Preview, t.W, t.H, t.Seconds = old.Colours, old.Bytes, old.File, old.Preview, old.W, old.H, old.Seconds
		} else if err := make(&t); err != nil {
			log.Fatalf("%s: %v", t.ID, err)
		}
		all = append(all, t)
	}
	for _, m := range drawn {
		keep(thing(m.id, m.name, m.kind, m.author, m.licence, m.price, m.tags), m.make)
	}
	for _, p := range film.Pieces {
		t := thing(p.ID, p.Name, stock.Footage, 1, free, "", filmTags[p.ID])
		keep(t, func(t *stock.Thing) error {
			t.File, t.Bytes, t.W, t.H, t.Seconds = p.ID+".mov", int64(len(p.File())), p.W, p.H, p.Seconds
			return poster(t, rgb(p.Frame(int(p.Seconds*film.Rate/2)), p.W, p.H))
		})
	}
	for _, m := range filmed {
		keep(thing(m.id, m.name, stock.Footage, m.author, m.licence, m.price, m.tags), m.make)
	}
	for _, h := range append(played, effects...) {
		keep(thing(h.id, h.name, h.kind, h.author, h.licence, h.price, h.tags), h.make)
	}
	b, err := json.MarshalIndent(all, "", "\t")
	if err == nil {
		err = os.WriteFile(filepath.Join(dir, "things.json"), append(b, '\n'), 0o644)
	}
	if err != nil {
		log.Fatal(err)
	}
}

var filmTags = map[string]string{
	"light-streaks": "light, streaks, overlay, screen, black, night", "sparks": "sparks, fire, overlay, screen, black",
	"steam": "steam, smoke, overlay, screen, black, hot", "splash": "splash, water, green screen",
}

func thing(id, name, kind string, author, licence int, price, tags string) stock.Thing {
	return stock.Thing{ID: id, Name: name, Kind: kind, Author: authors[author], Licence: licences[licence], Price: price, Currency: "EUR", Tags: strings.Split(tags, ", ")}
}

// make draws a picture: a JPEG, or a WebP where it has clear parts.
func (m made) make(t *stock.Thing) error {
	log.Print(m.id)
	p := picture(m.w, m.h, 3, m.draw)
	t.W, t.H = m.w, m.h
	if m.kind == stock.Garnish {
		b, err := webp(p, 86)
		if err != nil {
			return err
		}
		if err := write(t, m.id+".webp", b); err != nil {
			return err
		}
	} else {
		var b bytes.Buffer
		if err := jpeg.Encode(&b, p, &jpeg.Options{Quality: 84}); err != nil {
			return err
		}
		if err := write(t, m.id+".jpg", b.Bytes()); err != nil {
			return err
		}
	}
	return poster(t, p)
}

// write keeps a thing's file.
func write(t *stock.Thing, name string, b []byte) error {
	t.File, t.Bytes = name, int64(len(b))
	return os.WriteFile(filepath.Join(dir, name), b, 0o644)
}

// poster keeps a small picture of a thing, and the colours that most of it has.
func poster(t *stock.Thing, p *image.NRGBA) error {
	small := shrunk(p, 260)
	t.Colours = mainColours(small)
	b, err := webp(small, 80)
	if err != nil {
		return err
	}
	t.Preview = t.ID + "-small.webp"
	return os.WriteFile(filepath.Join(dir, t.Preview), b, 0o644)
}

// make films a piece: MP4, or WebM where it has clear parts.
func (m moving) make(t *stock.Thing) error {
	log.Print(m.id)
	n := int(m.seconds * rate)
	name, how := m.id+".mp4", []string{"-c:v", "libx264", "-preset", "veryslow", "-crf", "25", "-pix_fmt", "yuv420p"}
	if m.clear {
		name, how = m.id+".webm", []string{"-c:v", "libvpx-vp9", "-crf", "32", "-b:v", "0", "-pix_fmt", "yuva420p", "-auto-alt-ref", "0"}
	}
	t.W, t.H, t.Seconds = m.w, m.h, m.seconds
	file := filepath.Join(dir, name)
	c := exec.Command("ffmpeg", append(append([]string{"-v", "error", "-y", "-f", "rawvideo", "-pix_fmt", "rgba", "-s", fmt.Sprintf("%dx%d", m.w, m.h), "-r", fmt.Sprint(rate), "-i", "-"}, how...), file)...)
	c.Stderr = os.Stderr
	in, err := c.StdinPipe()
	if err != nil {
		return err
	}
	if err := c.Start(); err != nil {
		return err
	}
	var middle *image.NRGBA
	for i := range n {
		p := picture(m.w, m.h, m.samples, m.draw(float64(i)/float64(n)))
		if i == n*6/10 {
			middle = p
		}
		if _, err := in.Write(p.Pix); err != nil {
			return err
		}
	}
	in.Close()
	if err := c.Wait(); err != nil {
		return err
	}
	about, err := os.Stat(file)
	if err != nil {
		return err
	}
	t.File, t.Bytes = name, about.Size()
	return poster(t, middle)
}

// make plays a tune or a sound and keeps it as Ogg Vorbis.
func (h heard) make(t *stock.Thing) error {
	log.Print(h.id)
	pcm := h.play()
	t.Seconds = float64(len(pcm)/2) / synth.Rate
	c := exec.Command("ffmpeg", "-v", "error", "-f", "wav", "-i", "-", "-map_metadata", "-1", "-c:a", "libvorbis", "-q:a", "4", "-f", "ogg", "-")
	c.Stdin, c.Stderr = bytes.NewReader(media.WAV(pcm)), os.Stderr
	b, err := c.Output()
	if err != nil {
		return err
	}
	return write(t, h.id+".ogg", b)
}

// webp is a picture as WebP.
func webp(p *image.NRGBA, quality int) ([]byte, error) {
	var in bytes.Buffer
	if err := png.Encode(&in, p); err != nil {
		return nil, err
	}
	// Into a pipe it could not write how long it has become.
	dir, err := os.MkdirTemp("", "webp-")
	if err != nil {
		return nil, err
	}
	defer os.RemoveAll(dir)
	file := filepath.Join(dir, "picture.webp")
	c := exec.Command("ffmpeg", "-v", "error", "-f", "png_pipe", "-i", "-", "-c:v", "libwebp", "-quality", fmt.Sprint(quality), file)
	c.Stdin, c.Stderr = &in, os.Stderr
	if err := c.Run(); err != nil {
		return nil, err
	}
	return os.ReadFile(file)
}

// rgb is a picture of red, green and blue.
func rgb(b []byte, w, h int) *image.NRGBA {
	p := image.NewNRGBA(image.Rect(0, 0, w, h))
	for i := range w * h {
		copy(p.Pix[4*i:], b[3*i:3*i+3])
		p.Pix[4*i+3] = 255
	}
	return p
}

// shrunk is a picture with a shorter side of so many pixels at most.
func shrunk(p *image.NRGBA, side int) *image.NRGBA {
	w, h := p.Rect.Dx(), p.Rect.Dy()
	k := max((min(w, h)+side-1)/side, 1)
	out := image.NewNRGBA(image.Rect(0, 0, w/k, h/k))
	for y := range h / k {
		for x := range w / k {
			var sum [4]int
			for i := range k * k {
				at := p.Pix[(y*k+i/k)*p.Stride+4*(x*k+i%k):]
				a := int(at[3])
				for c := range 3 {
					sum[c] += int(at[c]) * a
				}
				sum[3] += a
			}
			to := out.Pix[y*out.Stride+4*x:]
			for c := range 3 {
				to[c] = uint8(sum[c] / max(sum[3], 1))
			}
			to[3] = uint8(sum[3] / (k * k))
		}
	}
	return out
}

// mainColours are up to three that much of a picture has and that are far from each other.
func mainColours(p *image.NRGBA) (out []colour.Colour) {
	type bin struct{ n, r, g, b int }
	bins := map[int]*bin{}
	for i := 0; i < len(p.Pix); i += 4 {
		if p.Pix[i+3] < 200 {
			continue
		}
		r, g, b := int(p.Pix[i]), int(p.Pix[i+1]), int(p.Pix[i+2])
		key := r>>5<<10 | g>>5<<5 | b>>5
		if bins[key] == nil {
			bins[key] = &bin{}
		}
		one := bins[key]
		one.n, one.r, one.g, one.b = one.n+1, one.r+r, one.g+g, one.b+b
	}
	for len(out) < 3 {
		var best *bin
		for key := range 1 << 15 {
			one := bins[key]
			if one == nil || best != nil && one.n <= best.n {
				continue
			}
			best = one
		}
		if best == nil || best.n < 60 {
			break
		}
		c := colour.Colour{R: uint8(best.r / best.n), G: uint8(best.g / best.n), B: uint8(best.b / best.n), A: 255}
		for key, one := range bins { // what is near it is that colour, too
			if d := max(abs(one.r/one.n-int(c.R)), abs(one.g/one.n-int(c.G)), abs(one.b/one.n-int(c.B))); d < 56 {
				delete(bins, key)
			}
		}
		out = append(out, c)
	}
	return out
}

func abs(v int) int { return max(v, -v) }
