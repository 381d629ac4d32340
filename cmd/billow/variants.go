package main

import (
	"bytes"
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"os"
	"path/filepath"
	"strings"

	"billow/bundle"
	"billow/core/clip"
	"billow/core/edit"
	"billow/core/frame"
	sheet "billow/core/table"
	"billow/export"
	"billow/media"
	"billow/workbook"

	"github.com/spf13/cobra"
)

// variantsOptions are what a person asks of the variants of a clip.
type variantsOptions struct {
	products, pictures, out, files string
	shapes, languages              []string
	quick, posters, right, json    bool
}

func variantsCommand() *cobra.Command {
	var o variantsOptions
	cmd := &cobra.Command{
		Use:   "variants BUNDLE",
		Short: "Export the same clip for many products, shapes and languages",
		Long: `Export the same clip for many products, shapes and languages: MP4 files with
their poster frames, and contents.csv, a table of what is there.

The products come from a table, CSV or Excel, with a heading above each column:
name, price, old price, picture and so on. Without one they are those of which
the clip has variants already. Pictures that the bundle does not have are looked
for beside the table.`,
		Args: cobra.ExactArgs(1),
		RunE: func(_ *cobra.Command, args []string) error {
			b, end, err := openBundle(args[0])
			if err != nil {
				return err
			}
			defer end()
			ctx, cancel := interruptible()
			defer cancel()
			return o.run(ctx, b)
		},
	}
	f := cmd.Flags()
	f.StringVar(&o.products, "products", "", "table of products: CSV or .xlsx")
	f.StringVar(&o.pictures, "pictures", "", "folder of the products' pictures (default: that of the table)")
	f.StringSliceVar(&o.shapes, "shapes", nil, "shapes, such as tall,square (default: all of the clip's)")
	f.StringSliceVar(&o.languages, "languages", nil, "languages, such as en,de (default: the clip's own)")
	f.StringVar(&o.files, "files", "", "how files are called (default: "+clip.FileNames+")")
	f.StringVar(&o.out, "out", "", "folder to write to")
	f.BoolVar(&o.quick, "quick", false, "a quick look: made faster and smaller, not to be posted")
	f.BoolVar(&o.posters, "posters", false, "only the poster frames")
	f.BoolVar(&o.right, "take-right", false, "take the rows that are right when others are not")
	f.BoolVar(&o.json, "json", false, "say as JSON what was written and what to look at")
	return cmd
}

func (o *variantsOptions) run(ctx context.Context, b *bundle.Bundle) error {
	if o.out == "" {
		return usageError{errors.New("say with --out into which folder the files go")}
	}
	c, brought := b.Clip, pictureFolder{}
	set := edit.SetVariants{Typed: edit.Typed{Type: "setVariants"}}
	if o.products != "" {
		next, ids, err := o.take(ctx, c, &brought)
		if err != nil {
			return err
		}
		c, set.Products = next, &ids
	}
	if o.shapes != nil {
		set.Shapes = &[]string{}
		for _, name := range o.shapes {
			s, err := c.Shape(name)
			if err != nil {
				return inputError{err}
			}
			*set.Shapes = append(*set.Shapes, s.ID)
		}
	}
	if o.languages != nil {
		set.Languages = &o.languages
	}
	if o.files != "" {
		set.Files = &o.files
	}
	c, err := do(c, set)
	if err != nil {
		return err
	}
	if len(c.EachVariant()) == 0 {
		return usageError{errors.New("the clip has no variants: give --products, a table of them")}
	}
	if !c.Follows() {
		return inputError{errors.New("nothing in the clip follows its product, so all variants would be alike: let words or a cut-out show the product of the scene")}
	}
	if err := os.MkdirAll(o.out, 0o755); err != nil {
		return err
	}
	return o.export(ctx, c, func(ctx context.Context, hash string) (io.ReadCloser, error) {
		if file, has := brought[hash]; has {
			return io.NopCloser(bytes.NewReader(file)), nil
		}
		return b.Open(ctx, hash)
	})
}

// do applies a command to a clip.
func do(c *clip.Clip, command any) (*clip.Clip, error) {
	raw, err := json.Marshal(command)
	if err != nil {
		return nil, err
	}
	next, err := edit.Apply(c, raw)
	if err != nil {
		return nil, inputError{err}
	}
	return next, nil
}

// take takes a table into a clip's range and tells which products it names.
func (o *variantsOptions) take(ctx context.Context, c *clip.Clip, brought *pictureFolder) (*clip.Clip, []string, error) {
	file, err := os.ReadFile(o.products)
	if err != nil {
		return nil, nil, inputError{err}
	}
	var rows [][]string
	if workbook.Is(file) {
		rows, err = workbook.Rows(file)
	} else {
		rows, _, err = sheet.Parse(file, 0)
	}
	if err != nil {
		return nil, nil, inputError{fmt.Errorf("%s: %w", o.products, err)}
	}
	folder := o.pictures
	if folder == "" {
		folder = filepath.Dir(o.products)
	}
	shelf, err := brought.read(ctx, folder, rows)
	if err != nil {
		return nil, nil, err
	}
	r, err := sheet.Read(rows, c, shelf, sheet.Options{})
	if err != nil {
		return nil, nil, inputError{fmt.Errorf("%s: %w", o.products, err)}
	}
	wrong := 0
	for _, f := range r.Faults {
		fmt.Fprintf(os.Stderr, "billow: %s, row %d, column %d: %s\n", o.products, f.Row, f.Column, f.Says)
		if !f.Doubt {
			wrong++
		}
	}
	if wrong > 0 && !o.right {
		return nil, nil, inputError{fmt.Errorf("%s has cells that cannot be taken; mend them, or give --take-right", o.products)}
	}
	c, err = do(c, edit.SetRange{Typed: edit.Typed{Type: "setRange"}, Props: r.Props, Products: r.Products})
	return c, r.Named, err
}

// pictureFolder are files that were brought in, by their hash.
type pictureFolder map[string][]byte

// read reads the pictures of a folder that a table's cells name.
func (p *pictureFolder) read(ctx context.Context, folder string, rows [][]string) (out []clip.Prop, err error) {
	named := map[string]bool{}
	for _, row := range rows {
		for _, cell := range row {
			if name := filepath.Base(cell); pictured(name) {
				named[name] = true
			}
		}
	}
	for name := range named {
		file, err := os.ReadFile(filepath.Join(folder, name))
		if errors.Is(err, os.ErrNotExist) {
			continue // the bundle may have it; what is missing is said of its row
		}
		if err != nil {
			return nil, inputError{err}
		}
		prop, kept, err := examined(ctx, name, file)
		if err != nil {
			return nil, inputError{fmt.Errorf("%s: %w", name, err)}
		}
		(*p)[prop.Hash] = kept
		out = append(out, prop)
	}
	return out, nil
}

func examined(ctx context.Context, name string, file []byte) (clip.Prop, []byte, error) {
	spool, err := media.NewSpool(bytes.NewReader(file), bundle.MaxFile)
	if err != nil {
		return clip.Prop{}, nil, err
	}
	defer spool.Close()
	prop, kept, err := media.Examine(ctx, name, spool, media.DefaultLimits())
	if err != nil {
		return clip.Prop{}, nil, err
	}
	if kept != spool {
		defer kept.Close()
	}
	whole, err := io.ReadAll(kept.Again())
	return prop, whole, err
}

// madeVariant is what --json prints of each.
type madeVariant struct {
	clip.Variant
	Out      string   `json:"out,omitempty"` // none of one that was left out
	Warnings []string `json:"warnings"`
}

// export writes the files of all variants but those that must not be posted.
func (o *variantsOptions) export(ctx context.Context, c *clip.Clip, files export.Files) error {
	lib := export.Library()
	at := frame.PosterFrame(c, lib)
	all := c.EachVariant()
	names := c.FileNames(all)
	made, left := []madeVariant{}, 0
	rows := [][]string{clip.ContentsColumns}
	for i, ref := range all {
		v, problems, err := edit.Variant(c, ref)
		if err != nil {
			return err
		}
		s, err := v.Shape(ref.Shape)
		if err != nil {
			return err
		}
		m := madeVariant{Variant: ref, Warnings: []string{}}
		stops := false
		for _, f := range export.Look(v, problems, s, at, lib) {
			says := f.Says
			if f.Layer != "" {
				says = f.Layer + ": " + says
			}
			m.Warnings, stops = append(m.Warnings, says), stops || f.Stops
			fmt.Fprintf(os.Stderr, "billow: %s: %s\n", names[i], says)
		}
		if stops {
			left++
			made = append(made, m)
			rows = append(rows, c.Contents(ref, "", "left out: "+strings.Join(m.Warnings, "; ")))
			continue
		}
		if m.Out, err = o.one(ctx, v, s, at, names[i], lib, files, fmt.Sprintf("%d of %d: %s", i+1, len(all), names[i])); err != nil {
			return err
		}
		made = append(made, m)
		rows = append(rows, c.Contents(ref, filepath.Base(m.Out), "done"))
	}
	if err := writeWhole(filepath.Join(o.out, "contents.csv"), bytes.NewReader(sheet.CSV(rows, ','))); err != nil {
		return err
	}
	if o.json {
		if err := json.NewEncoder(os.Stdout).Encode(made); err != nil {
			return err
		}
	}
	if left > 0 {
		return inputError{fmt.Errorf("%d of %d variants were left out: they must not be posted so", left, len(all))}
	}
	return nil
}

// one writes the files of a variant.
func (o *variantsOptions) one(ctx context.Context, v *clip.Clip, s clip.Shape, at int, name string, lib *frame.Library, files export.Files, says string) (string, error) {
	still, err := export.Still(ctx, v, s, s.W, s.H, at, lib, files)
	if err != nil {
		return "", err
	}
	png, err := media.EncodePNG(still)
	if err != nil {
		return "", err
	}
	path := filepath.Join(o.out, name)
	if err := writeWhole(path+".png", bytes.NewReader(png)); err != nil || o.posters {
		return path + ".png", err
	}
	bar := newBar(strings.TrimSpace(says))
	f, err := export.MP4(ctx, v, s, lib, files, o.quick, func(done int) { bar.show(float64(done) / float64(v.Length)) })
	bar.end()
	if err != nil {
		return "", err
	}
	defer f.Close()
	return path + ".mp4", writeWhole(path+".mp4", f)
}

// pictured tells whether a file is a picture, by its ending.
func pictured(name string) bool {
	switch strings.ToLower(filepath.Ext(name)) {
	case ".png", ".jpg", ".jpeg", ".webp", ".gif", ".svg":
		return true
	}
	return false
}
