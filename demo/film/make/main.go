// Command make draws the footage of the sample world and keeps it as footage is kept.
package main

import (
	"bytes"
	"context"
	"fmt"
	"io"
	"log"
	"os"
	"os/exec"
	"runtime"
	"sync"

	"billow/demo/film"
	"billow/media"
)

func main() {
	for _, p := range film.Pieces {
		if len(os.Args) > 1 && os.Args[1] != p.ID {
			continue
		}
		if err := write(p); err != nil {
			log.Fatalf("%s: %v", p.ID, err)
		}
	}
}

func write(p film.Piece) error {
	made := p.ID + ".mp4"
	defer os.Remove(made)
	if err := encode(p, made); err != nil {
		return err
	}
	b, err := os.ReadFile(made)
	if err != nil {
		return err
	}
	s, err := media.NewSpool(bytes.NewReader(b), 1<<30)
	if err != nil {
		return err
	}
	defer s.Close()
	t, err := media.TakeFootage(context.Background(), p.Name, s, media.DefaultLimits(), func(float64) {})
	if err != nil {
		return err
	}
	defer t.Close()
	out, err := os.Create(p.ID + ".mov")
	if err != nil {
		return err
	}
	if _, err := io.Copy(out, t.File.Again()); err != nil {
		return err
	}
	fmt.Println(p.ID, t.File.Bytes>>10, "kB")
	return out.Close()
}

// encode draws all frames, some at once, and has ffmpeg write them without loss.
func encode(p film.Piece, to string) error {
	cmd := exec.Command("ffmpeg", "-v", "error", "-y", "-f", "rawvideo", "-pix_fmt", "rgb24", "-s", fmt.Sprintf("%dx%d", p.W, p.H), "-r", fmt.Sprint(film.Rate),
		"-i", "pipe:0", "-vf", "scale=out_color_matrix=bt709:flags=accurate_rnd+full_chroma_int", "-pix_fmt", "yuv420p", "-colorspace", "bt709", "-color_primaries", "bt709", "-color_trc", "bt709", "-color_range", "tv",
		"-c:v", "libx264", "-crf", "10", to)
	in, err := cmd.StdinPipe()
	if err != nil {
		return err
	}
	cmd.Stderr = os.Stderr
	if err := cmd.Start(); err != nil {
		return err
	}
	n := int(p.Seconds * film.Rate)
	for at := 0; at < n; at += runtime.NumCPU() {
		batch := make([][]byte, min(runtime.NumCPU(), n-at))
		var wait sync.WaitGroup
		for i := range batch {
			wait.Go(func() { batch[i] = p.Frame(at + i) })
		}
		wait.Wait()
		for _, b := range batch {
			if _, err := in.Write(b); err != nil {
				return err
			}
		}
	}
	if err := in.Close(); err != nil {
		return err
	}
	return cmd.Wait()
}
