package main

import (
	"context"
	"encoding/json"
	"fmt"
	"os"

	"billow/core/clip"
	"billow/core/edit"
	"billow/media"

	"github.com/spf13/cobra"
)

// beatsJSON is what `billow beats --json` prints; times are seconds.
type beatsJSON struct {
	Tempo     float64    `json:"tempo"`
	Beats     []float64  `json:"beats"`
	Downbeats []float64  `json:"downbeats"`
	Hits      []clip.Hit `json:"hits"`
}

func beatsCommand() *cobra.Command {
	var asJSON bool
	cmd := &cobra.Command{
		Use:   "beats TUNE",
		Short: "Find the tempo, beats and hits of a tune",
		Args:  cobra.ExactArgs(1),
		RunE: func(_ *cobra.Command, args []string) error {
			f, err := os.Open(args[0])
			if err != nil {
				return inputError{err}
			}
			s, err := media.Spooled(f)
			if err != nil {
				return inputError{err}
			}
			defer s.Close()
			p, err := media.SoundProp(context.Background(), "tune", args[0], s)
			if err != nil {
				return inputError{fmt.Errorf("%s: %w", args[0], err)}
			}
			found := beatsFound(p.Sound)
			if asJSON {
				return json.NewEncoder(os.Stdout).Encode(found)
			}
			if !p.Sound.Steady {
				fmt.Printf("%s: %.1f s, no steady beat, %d hits\n", args[0], p.Sound.Seconds, len(found.Hits))
				return nil
			}
			fmt.Printf("%s: %.1f s, %.1f beats a minute, %d beats in %d bars, %d hits\n",
				args[0], p.Sound.Seconds, found.Tempo, len(found.Beats), len(found.Downbeats), len(found.Hits))
			return nil
		},
	}
	cmd.Flags().BoolVar(&asJSON, "json", false, "print everything as JSON")
	return cmd
}

func beatsFound(s *clip.Sound) beatsJSON {
	out := beatsJSON{Beats: []float64{}, Downbeats: []float64{}, Hits: s.Hits}
	if !s.Steady {
		return out
	}
	out.Tempo, out.Beats = s.Tempo.BPM, s.Tempo.Beats
	for i := s.Tempo.Zero % s.Tempo.PerBar; i < len(s.Tempo.Beats); i += s.Tempo.PerBar {
		out.Downbeats = append(out.Downbeats, s.Tempo.Beats[i])
	}
	return out
}

// atRate is the clip counted at another frame rate.
func atRate(c *clip.Clip, fps int) (*clip.Clip, error) {
	out, err := edit.Apply(c, fmt.Appendf(nil, `{"type":"setClip","rate":%d}`, fps))
	if err != nil {
		return nil, usageError{fmt.Errorf("--fps: %w", err)}
	}
	return out, nil
}
