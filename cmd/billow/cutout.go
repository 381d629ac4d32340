package main

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"image"
	"io"
	"os"
	"path/filepath"
	"strings"

	"billow/core/clip"
	"billow/core/cutout"
	"billow/core/paint"
	"billow/media"

	"github.com/spf13/cobra"
)

// cutoutOrder are the flags of `billow cutout`.
type cutoutOrder struct {
	out, box, strokes string
	dir, shadow       string
	asJSON            bool
	cutout.Edge
}

func cutoutCommand() *cobra.Command {
	var o cutoutOrder
	cmd := &cobra.Command{
		Use:   "cutout PHOTO | --dir FOLDER",
		Short: "Take a thing off its background",
		Long: "Take a thing off its background. Places are pixels of the photo, from its upper left corner.\n" +
			"A file of strokes is a list such as [{\"stays\": true, \"radius\": 8, \"points\": [[40, 60], [90, 70]]}].",
		Args: cobra.MaximumNArgs(1),
		RunE: func(cmd *cobra.Command, args []string) error {
			ctx, end := interruptible()
			defer end()
			if (o.dir != "") == (len(args) == 1) {
				return usageError{errors.New("name a photo, or with --dir a folder of photos")}
			}
			if o.dir != "" {
				return o.cutAll(ctx, cmd.OutOrStdout())
			}
			return o.cut(ctx, cmd.OutOrStdout(), args[0])
		},
	}
	f := cmd.Flags()
	f.StringVar(&o.out, "out", "", "the PNG file to write; with --dir the folder to write them to")
	f.StringVar(&o.dir, "dir", "", "cut all photos of a folder, and list those that need a look")
	f.StringVar(&o.box, "box", "", "x,y,width,height: the thing lies within")
	f.StringVar(&o.strokes, "strokes", "", "a JSON file of strokes that stay or go")
	f.StringVar(&o.shadow, "shadow", "", "the PNG file to write the photo's shadow to, before a plain background")
	f.BoolVar(&o.asJSON, "json", false, "say as JSON how it was cut, how sure that is, and its bounds")
	f.Float64Var(&o.Shift, "shift", 0, "move the edge outwards, pixels (-20 to 20)")
	f.Float64Var(&o.Smooth, "smooth", 0, "round the edge, pixels (0 to 20)")
	f.Float64Var(&o.Feather, "feather", 0, "let the edge fade, pixels (0 to 50)")
	f.Float64Var(&o.Specks, "specks", 0, "drop islands and holes less wide than this, pixels (0 to 200)")
	_ = cmd.MarkFlagRequired("out")
	return cmd
}

func (o *cutoutOrder) cut(ctx context.Context, says io.Writer, name string) error {
	order, err := o.order()
	if err != nil {
		return err
	}
	photo, err := photoOf(ctx, name)
	if err != nil {
		return err
	}
	cut, found, err := cutInto(photo, order, name, o.out)
	if err != nil {
		return err
	}
	if o.shadow != "" {
		if err := o.writeShadow(photo, order, name); err != nil {
			return err
		}
	}
	if o.asJSON {
		return json.NewEncoder(says).Encode(found)
	}
	look := ""
	if found.NeedsALook() {
		look = " It may need a look."
	}
	_, err = fmt.Fprintf(says, "%s: %d × %d pixels. %s%s\n", o.out, cut.W, cut.H, found.Why, look)
	return err
}

// writeShadow writes the photo's shadow, as large as the photo.
func (o *cutoutOrder) writeShadow(photo *paint.Bitmap, order cutout.Order, name string) error {
	d, err := cutout.Open(photo)
	if err == nil {
		err = d.Follow(order)
	}
	if err != nil {
		return err
	}
	if !d.HasShadow() {
		return inputError{fmt.Errorf("%s: its background is not of one colour, so that no shadow can be told from it", name)}
	}
	file, err := media.EncodePNG(d.Shadow(image.Rect(0, 0, photo.W, photo.H)))
	if err != nil {
		return err
	}
	return os.WriteFile(o.shadow, file, 0o644)
}

// cutInto cuts a photo and writes what stays of it.
func cutInto(photo *paint.Bitmap, order cutout.Order, name, out string) (*paint.Bitmap, cutout.Found, error) {
	cut, found, err := cutout.Make(photo, order)
	var problem *clip.FieldError
	switch {
	case errors.As(err, &problem):
		return nil, found, usageError{err}
	case err != nil:
		return nil, found, inputError{fmt.Errorf("%s: %w", name, err)}
	}
	file, err := media.EncodePNG(cut)
	if err == nil {
		err = os.WriteFile(out, file, 0o644)
	}
	return cut, found, err
}

// cutOne is what became of a photo of a folder.
type cutOne struct {
	Photo string `json:"photo"`
	Out   string `json:"out,omitempty"`
	cutout.Found
	NeedsLook bool   `json:"needsLook"`
	Problem   string `json:"problem,omitempty"`
}

// cutAll cuts the photos of a folder. One that cannot be cut is told of and left out.
func (o *cutoutOrder) cutAll(ctx context.Context, says io.Writer) error {
	order, err := o.order()
	if err != nil {
		return err
	}
	entries, err := os.ReadDir(o.dir)
	if err != nil {
		return inputError{err}
	}
	if err := os.MkdirAll(o.out, 0o755); err != nil {
		return err
	}
	var all []cutOne
	taken := map[string]bool{}
	for _, e := range entries {
		switch strings.ToLower(filepath.Ext(e.Name())) {
		case ".jpg", ".jpeg", ".png", ".webp", ".gif":
			out := strings.TrimSuffix(e.Name(), filepath.Ext(e.Name())) + ".png"
			if taken[out] {
				out = e.Name() + ".png" // another one has the same name but for its ending
			}
			taken[out] = true
			all = append(all, o.oneOf(ctx, e.Name(), out, order))
		}
		if ctx.Err() != nil {
			return ctx.Err()
		}
	}
	if len(all) == 0 {
		return inputError{fmt.Errorf("there are no photos in %s", o.dir)}
	}
	if o.asJSON {
		return json.NewEncoder(says).Encode(all)
	}
	look := 0
	for _, one := range all {
		state := "cut out"
		switch {
		case one.Problem != "":
			state = one.Problem
		case one.NeedsLook:
			state = "needs a look"
			look++
		}
		if _, err := fmt.Fprintf(says, "%-40s %s\n", one.Photo, state); err != nil {
			return err
		}
	}
	_, err = fmt.Fprintf(says, "%d photos, %d of them need a look\n", len(all), look)
	return err
}

func (o *cutoutOrder) oneOf(ctx context.Context, photo, out string, order cutout.Order) cutOne {
	one := cutOne{Photo: photo, Out: out}
	bitmap, err := photoOf(ctx, filepath.Join(o.dir, photo))
	if err == nil {
		_, one.Found, err = cutInto(bitmap, order, photo, filepath.Join(o.out, one.Out))
	}
	one.NeedsLook = one.NeedsALook()
	if err != nil {
		one.Problem, one.Out = err.Error(), ""
	}
	return one
}

// order is what the flags want.
func (o *cutoutOrder) order() (cutout.Order, error) {
	order := cutout.Order{Edge: o.Edge}
	if o.box != "" {
		var b [4]float64
		var rest string
		if n, _ := fmt.Sscanf(o.box+" .", "%g,%g,%g,%g %s", &b[0], &b[1], &b[2], &b[3], &rest); n != 5 || rest != "." {
			return order, usageError{fmt.Errorf("--box %q: write it as x,y,width,height", o.box)}
		}
		order.Box = &b
	}
	if o.strokes != "" {
		b, err := os.ReadFile(o.strokes)
		if err != nil {
			return order, inputError{err}
		}
		if err := json.Unmarshal(b, &order.Strokes); err != nil {
			return order, inputError{fmt.Errorf("%s is not a list of strokes: %w", o.strokes, err)}
		}
	}
	return order, nil
}

// photoOf reads a picture as the shelf would keep it: upright and in sRGB.
func photoOf(ctx context.Context, name string) (*paint.Bitmap, error) {
	f, err := os.Open(name)
	if err != nil {
		return nil, inputError{err}
	}
	s, err := media.Spooled(f)
	if err != nil {
		f.Close()
		return nil, inputError{err}
	}
	defer s.Close()
	p, kept, err := media.Examine(ctx, name, s, media.DefaultLimits())
	if err != nil {
		return nil, inputError{err}
	}
	if kept != s {
		defer kept.Close()
	}
	if p.Kind != clip.KindCutout {
		return nil, inputError{fmt.Errorf("%s is not a picture", name)}
	}
	return media.Picture(kept.Again())
}
