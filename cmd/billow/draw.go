package main

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"os"
	"os/signal"
	"path/filepath"
	"strings"
	"syscall"

	"billow/bundle"
	"billow/core/clip"
	"billow/core/frame"
	"billow/export"
	"billow/media"

	"github.com/spf13/cobra"
)

// interruptible ends with Ctrl-C or a polite kill.
func interruptible() (context.Context, context.CancelFunc) {
	return signal.NotifyContext(context.Background(), os.Interrupt, syscall.SIGTERM)
}

// openBundle reads a bundle; its files are read from it until end is called.
func openBundle(name string) (b *bundle.Bundle, end func(), err error) {
	f, err := os.Open(name)
	if err != nil {
		return nil, nil, inputError{err}
	}
	info, err := f.Stat()
	if err == nil {
		b, err = bundle.Read(f, info.Size())
	}
	if err != nil {
		f.Close()
		return nil, nil, inputError{fmt.Errorf("%s: %w", name, err)}
	}
	return b, func() { f.Close() }, nil
}

// sized is the shape a person asked for, at the size asked for ("540x960"),
// which must have the shape's proportions to within a pixel.
func sized(c *clip.Clip, shape, size string) (clip.Shape, error) {
	s, err := c.Shape(shape)
	if err != nil {
		return s, inputError{err}
	}
	if size == "" {
		return s, nil
	}
	var w, h int
	if n, _ := fmt.Sscanf(size, "%dx%d", &w, &h); n != 2 || w < clip.MinSide || h < clip.MinSide || w > clip.MaxSide || h > clip.MaxSide || w%2 != 0 || h%2 != 0 {
		return s, usageError{fmt.Errorf("--size %q: write it as 540x960, with even sides from %d to %d", size, clip.MinSide, clip.MaxSide)}
	}
	if d := w*s.H - h*s.W; d > 2*max(s.W, s.H) || -d > 2*max(s.W, s.H) {
		return s, usageError{fmt.Errorf("--size %s does not have the proportions of %s (%d:%d)", size, s.ID, s.W, s.H)}
	}
	s.W, s.H = w, h
	return s, nil
}

// output is what drawing commands share: where to write, and what to say.
type output struct {
	shape, size, out string
	json, strict     bool
	quick            bool
}

func (o *output) flags(cmd *cobra.Command) {
	cmd.Flags().StringVar(&o.shape, "shape", "", "shape, such as 9:16 or tall (default: the one the clip was made for)")
	cmd.Flags().StringVar(&o.size, "size", "", "pixels, such as 1080x1920")
	cmd.Flags().BoolVar(&o.json, "json", false, "say as JSON what was written and what to look at")
	cmd.Flags().BoolVar(&o.strict, "strict", false, "fail where there would be a warning")
}

// written is what --json prints.
type written struct {
	Out      string    `json:"out"`
	Shape    string    `json:"shape"`
	W        int       `json:"w"`
	H        int       `json:"h"`
	Warnings []warning `json:"warnings"`
}

type warning struct {
	Message string `json:"message"`
	frame.Missing
}

// warned looks for what would not look as it should.
func (o *output) warned(c *clip.Clip, lib *frame.Library) ([]warning, error) {
	warnings := []warning{}
	var found []warning
	for _, g := range frame.Gaps(c) {
		found = append(found, warning{g.Error(), frame.Missing{Layer: g.Layer}})
	}
	for _, m := range frame.MissingLetters(c, lib) {
		found = append(found, warning{fmt.Sprintf("no font has %q, which %q shows; they are drawn as boxes", m.Letters, m.Layer), m})
	}
	for _, w := range found {
		if o.strict {
			return nil, inputError{errors.New(w.Message)}
		}
		fmt.Fprintln(os.Stderr, "billow: warning: "+w.Message)
		warnings = append(warnings, w)
	}
	return warnings, nil
}

func (o *output) say(s clip.Shape, warnings []warning) error {
	if !o.json {
		return nil
	}
	return json.NewEncoder(os.Stdout).Encode(written{o.out, s.ID, s.W, s.H, warnings})
}

func exportCommand() *cobra.Command {
	var o output
	var fps int
	cmd := &cobra.Command{
		Use:   "export BUNDLE",
		Short: "Export a clip to MP4",
		Args:  cobra.ExactArgs(1),
		RunE: func(_ *cobra.Command, args []string) error {
			b, end, err := openBundle(args[0])
			if err != nil {
				return err
			}
			defer end()
			c := b.Clip
			if fps != 0 {
				if c, err = atRate(c, fps); err != nil {
					return err
				}
			}
			s, err := sized(c, o.shape, o.size)
			if err != nil {
				return err
			}
			if o.out == "" {
				base := strings.TrimSuffix(filepath.Base(args[0]), ".zip")
				o.out = fmt.Sprintf("%s-%s.mp4", base, s.ID)
			}
			ctx, cancel := interruptible()
			defer cancel()
			return o.export(ctx, c, s, b)
		},
	}
	o.flags(cmd)
	cmd.Flags().IntVar(&fps, "fps", 0, "frames a second: 24, 25, 30, 50 or 60")
	cmd.Flags().StringVar(&o.out, "out", "", "file to write")
	cmd.Flags().BoolVar(&o.quick, "quick", false, "a quick look: made faster and smaller, not to be posted")
	return cmd
}

func (o *output) export(ctx context.Context, c *clip.Clip, s clip.Shape, b *bundle.Bundle) error {
	if gaps := frame.Gaps(c); len(gaps) > 0 {
		return inputError{gaps[0]}
	}
	lib := export.Library()
	warnings, err := o.warned(c, lib)
	if err != nil {
		return err
	}
	bar := newBar(fmt.Sprintf("%s %d×%d", c.Name, s.W, s.H))
	f, err := export.MP4(ctx, c, s, lib, b.Open, o.quick, func(done int) { bar.show(float64(done) / float64(c.Length)) })
	bar.end()
	if err != nil {
		return err
	}
	defer f.Close()
	if err := writeWhole(o.out, f); err != nil {
		return err
	}
	return o.say(s, warnings)
}

// writeWhole leaves either the whole file or none: it writes beside and renames.
func writeWhole(name string, r io.Reader) error {
	tmp, err := os.CreateTemp(filepath.Dir(name), ".billow-*")
	if err != nil {
		return err
	}
	defer os.Remove(tmp.Name())
	if _, err := io.Copy(tmp, r); err != nil {
		tmp.Close()
		return fmt.Errorf("%s cannot be written: %w", name, err)
	}
	if err := tmp.Chmod(0o644); err != nil {
		return err
	}
	if err := tmp.Close(); err != nil {
		return err
	}
	return os.Rename(tmp.Name(), name)
}

func frameCommand() *cobra.Command {
	var o output
	var at string
	cmd := &cobra.Command{
		Use:   "frame BUNDLE",
		Short: "Draw one frame of a clip as PNG",
		Args:  cobra.ExactArgs(1),
		RunE: func(_ *cobra.Command, args []string) error {
			b, end, err := openBundle(args[0])
			if err != nil {
				return err
			}
			defer end()
			s, err := sized(b.Clip, o.shape, o.size)
			if err != nil {
				return err
			}
			n, err := b.Clip.Rate.ParseTimecode(at)
			if err != nil || n >= b.Clip.Length {
				return usageError{fmt.Errorf("--at %s: the clip has frames 0 to %d", at, b.Clip.Length-1)}
			}
			return o.still(b, s, n)
		},
	}
	o.flags(cmd)
	cmd.Flags().StringVar(&at, "at", "0", "frame, or a time such as 1s15f")
	cmd.Flags().StringVar(&o.out, "out", "frame.png", "file to write")
	return cmd
}

func (o *output) still(b *bundle.Bundle, s clip.Shape, at int) error {
	lib := export.Library()
	warnings, err := o.warned(b.Clip, lib)
	if err != nil {
		return err
	}
	picture, err := export.Still(context.Background(), b.Clip, s, s.W, s.H, at, lib, b.Open)
	if err != nil {
		return err
	}
	file, err := media.EncodePNG(picture)
	if err != nil {
		return err
	}
	if err := writeWhole(o.out, strings.NewReader(string(file))); err != nil {
		return err
	}
	return o.say(s, warnings)
}
