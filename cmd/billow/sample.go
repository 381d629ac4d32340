package main

import (
	"context"
	"encoding/json"
	"fmt"
	"io"
	"os"
	"path/filepath"

	"billow/bundle"
	"billow/core/clip"
	"billow/core/cutout"
	"billow/demo"

	"github.com/spf13/cobra"
)

func sampleCommand() *cobra.Command {
	var side int
	cmd := &cobra.Command{
		Use:   "sample DIR",
		Short: "Write the sample clips as bundles, and the tunes with their true beats",
		Args:  cobra.ExactArgs(1),
		RunE: func(_ *cobra.Command, args []string) error {
			dir := args[0]
			if err := os.MkdirAll(dir, 0o755); err != nil {
				return err
			}
			w, err := makeWorld(side)
			if err != nil {
				return err
			}
			for _, c := range w.Clips {
				if err := writeBundle(filepath.Join(dir, c.ID+".zip"), c.Clip, cutout.ShownIn(w.Cuts, c.Clip), w.Open); err != nil {
					return err
				}
			}
			for id, t := range w.Tunes {
				if err := os.WriteFile(filepath.Join(dir, id+".wav"), t.File, 0o644); err != nil {
					return err
				}
				truth := beatsJSON{Tempo: t.Tune.BPM, Hits: []clip.Hit{}}
				truth.Beats, truth.Downbeats = t.Tune.Beats()
				b, err := json.Marshal(truth)
				if err != nil {
					return err
				}
				if err := os.WriteFile(filepath.Join(dir, id+".json"), b, 0o644); err != nil {
					return err
				}
			}
			return nil
		},
	}
	cmd.Flags().IntVar(&side, "side", demo.Side, "pixels of the longer side of the product pictures")
	return cmd
}

// makeWorld makes the sample world with pictures of so many pixels.
func makeWorld(side int) (*demo.World, error) {
	if side < 64 || side > demo.Side {
		return nil, usageError{fmt.Errorf("--side: a side has 64 to %d pixels", demo.Side)}
	}
	return demo.Make(side)
}

func writeBundle(name string, c *clip.Clip, cuts []cutout.Kept, open func(context.Context, string) (io.ReadCloser, error)) error {
	f, err := os.CreateTemp(filepath.Dir(name), ".billow-*")
	if err != nil {
		return err
	}
	defer os.Remove(f.Name())
	if err := bundle.Write(context.Background(), f, c, cuts, open); err != nil {
		f.Close()
		return err
	}
	if err := f.Close(); err != nil {
		return err
	}
	if err := os.Chmod(f.Name(), 0o644); err != nil {
		return err
	}
	return os.Rename(f.Name(), name)
}

func schemaCommand() *cobra.Command {
	return &cobra.Command{
		Use: "schema", Short: "Print the JSON Schema of the clip document", Args: cobra.NoArgs,
		RunE: func(*cobra.Command, []string) error {
			_, err := os.Stdout.Write(clip.Schema())
			return err
		},
	}
}
