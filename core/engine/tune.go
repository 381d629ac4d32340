package engine

import (
	"billow/core/clip"
	"billow/core/edit"
	"billow/core/view"
)

// tuneOf is the clip's tune by itself, or nothing.
func tuneOf(e *Engine, _ *struct{}) (*view.Tune, error) {
	if e.kept == nil {
		return nil, errClosed
	}
	return view.TuneOf(e.kept), nil
}

// credits are what is to be said of those who made what the clip is made of.
func credits(e *Engine, _ *struct{}) (clip.Credits, error) {
	if e.kept == nil {
		return clip.Credits{}, errClosed
	}
	return e.kept.CreditsOf(), nil
}

// retiming tells what a command would do to the times of what is worked on, without doing it.
func retiming(e *Engine, in Wish) (edit.Retiming, error) {
	if e.kept == nil {
		return edit.Retiming{}, errClosed
	}
	after, err := edit.Apply(e.whole, in.Command)
	if err != nil {
		return edit.Retiming{}, err
	}
	return edit.RetimingOf(e.kept, e.of(after)), nil
}
