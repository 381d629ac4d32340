package demo

import (
	"bytes"
	"encoding/json"
	"fmt"
	"testing"

	"billow/core/clip"
	"billow/core/edit"
	"billow/core/engine"
	"billow/core/frame"
	"billow/export"
	"billow/fonts"
)

// An engine that goes on from what it drew before a change shows what a new one shows, whatever
// is changed: on the same frame again and again, and on others.
func TestAnEngineThatGoesOnDrawsAsANewOne(t *testing.T) {
	w := small(t)
	trial, err := Trial(w)
	if err != nil {
		t.Fatal(err)
	}
	lib := frame.NewLibrary(fonts.All(), 64<<20)
	if err := export.Load(t.Context(), trial, lib, w.Open); err != nil {
		t.Fatal(err)
	}
	opened := func(c *clip.Clip) *engine.Engine {
		e := engine.New(lib)
		raw, err := json.Marshal(c)
		if err != nil {
			t.Fatal(err)
		}
		if _, err := e.Call("open", raw, nil); err != nil {
			t.Fatal(err)
		}
		return e
	}
	drawn := func(e *engine.Engine, n int) []byte {
		out, err := e.Call("draw", fmt.Appendf(nil, `{"shape":"tall","w":135,"h":240,"frame":%d}`, n), nil)
		if err != nil {
			t.Fatal(err)
		}
		return bytes.Clone(out.(engine.Bytes))
	}
	goes, kept, compared := opened(trial), trial, 0
	drawn(goes, 40)
	for i, l := range trial.Layers {
		command := fmt.Appendf(nil, `{"type":"setRest","layer":%q,"shape":"tall","set":{"x":%d}}`, l.ID, 20+i)
		if i%3 == 1 {
			command = fmt.Appendf(nil, `{"type":"setLayer","layer":%q,"set":{"hidden":true}}`, l.ID)
		}
		shown, err := edit.Apply(kept, command)
		if err != nil {
			continue // what fills the frame has no place in it
		}
		keep := i%4 == 0
		if _, err := goes.Call("follow", fmt.Appendf(nil, `{"command":%s,"keep":%v}`, command, keep), nil); err != nil {
			t.Fatal(err)
		}
		if keep {
			kept = shown
		}
		n := []int{40, 40, 40, 41}[i%4]
		if !bytes.Equal(drawn(goes, n), drawn(opened(shown), n)) {
			t.Errorf("after a change of %s frame %d is another than a new engine's", l.Name, n)
		}
		compared++
	}
	if compared < 50 {
		t.Errorf("only %d changes were compared", compared)
	}
}
