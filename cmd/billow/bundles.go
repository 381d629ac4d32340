package main

import (
	"context"
	"fmt"
	"strconv"
	"time"

	"billow/bundle"
	"billow/core/clip"
	"billow/media"
	"billow/store"

	"github.com/spf13/cobra"
)

func bundleCommand() *cobra.Command {
	var h home
	var out string
	cmd := &cobra.Command{
		Use: "bundle CLIP-ID", Short: "Write a stored clip as a bundle", Args: cobra.ExactArgs(1),
		RunE: func(_ *cobra.Command, args []string) error {
			return h.shared(func(ctx context.Context, s *store.Store) error {
				st, err := s.State(ctx, args[0])
				if err != nil {
					return inputError{fmt.Errorf("the clip %s: %w", args[0], err)}
				}
				if out == "" {
					out = args[0] + ".zip"
				}
				cuts, err := s.KeptWith(ctx, st.Clip.Hashes())
				if err != nil {
					return err
				}
				return writeBundle(out, st.Clip, cuts, s.Open)
			})
		},
	}
	h.flag(cmd)
	cmd.Flags().StringVar(&out, "out", "", "file to write (default: CLIP-ID.zip)")
	return cmd
}

func importCommand() *cobra.Command {
	var h home
	cmd := &cobra.Command{
		Use: "import BUNDLE", Short: "Store a bundle as a new clip", Args: cobra.ExactArgs(1),
		RunE: func(_ *cobra.Command, args []string) error {
			b, end, err := openBundle(args[0])
			if err != nil {
				return err
			}
			defer end()
			return h.shared(func(ctx context.Context, s *store.Store) error { return importBundle(ctx, s, b) })
		},
	}
	h.flag(cmd)
	return cmd
}

func importBundle(ctx context.Context, s *store.Store, b *bundle.Bundle) error {
	err := b.Intake(ctx, media.DefaultLimits(), func(p clip.Prop, kept *media.Spool) error { return s.Keep(ctx, p, kept.Again(), kept.Coarse) })
	if err != nil {
		return inputError{err}
	}
	if err := s.Adopt(ctx, b.Cuts); err != nil {
		return err
	}
	id := store.NewID()
	if err := s.CreateClip(ctx, id, b.Clip, "Imported "+time.Now().Format(time.DateOnly)); err != nil {
		return err
	}
	fmt.Println(id + "  " + strconv.Quote(b.Clip.Name))
	return nil
}
