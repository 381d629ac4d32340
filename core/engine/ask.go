package engine

import (
	"encoding/json"
	"reflect"

	"billow/core/clip"
)

// Bytes goes to the page as it is.
type Bytes []byte

// Method is one question that the page may ask, with the types of what is asked
// and answered.
type Method struct {
	In, Out reflect.Type
	call    func(e *Engine, arg, in []byte) (any, error)
}

// Done is the answer when there is nothing to say.
const Done = true

// ask makes a method of a function.
func ask[In, Out any](f func(e *Engine, in In) (Out, error)) Method {
	return asking(func(e *Engine, in In, _ []byte) (Out, error) { return f(e, in) })
}

// asking makes a method of a function that is given bytes, too.
func asking[In, Out any](f func(e *Engine, in In, bytes []byte) (Out, error)) Method {
	return Method{
		reflect.TypeFor[In](), reflect.TypeFor[Out](),
		func(e *Engine, arg, bytes []byte) (any, error) {
			var in In
			if err := json.Unmarshal(arg, &in); err != nil {
				return nil, err
			}
			return f(e, in, bytes)
		},
	}
}

// Methods are all questions by name.
var Methods = map[string]Method{
	"open":           ask(open),
	"reopen":         ask(reopen),
	"advance":        ask(advance),
	"whole":          ask(whole),
	"stays":          ask(stays),
	"apply":          ask(apply),
	"follow":         ask(follow),
	"solo":           ask(solo),
	"shadows":        ask(shadows),
	"lookAs":         ask(lookAs),
	"tried":          ask(tried),
	"suit":           ask(suit),
	"improve":        ask(improve),
	"view":           ask(viewOf),
	"quoted":         ask(quoted),
	"filledFields":   ask(filledFields),
	"alone":          ask(alone),
	"picture":        asking(picture),
	"footageFile":    asking(footageFile),
	"retryFonts":     ask(retryFonts),
	"draw":           ask(draw),
	"trial":          ask(trial),
	"sketch":         ask(sketch),
	"asPath":         ask(asPath),
	"match":          ask(match),
	"sketchMask":     ask(sketchMask),
	"matching":       ask(matching),
	"ghosts":         ask(ghosts),
	"places":         ask(places),
	"told":           ask(told),
	"path":           ask(path),
	"pinned":         ask(pinned),
	"aligned":        ask(aligned),
	"pick":           ask(pick),
	"snap":           ask(snap),
	"align":          ask(align),
	"touching":       ask(touching),
	"keyHere":        ask(keyHere),
	"pivot":          ask(pivot),
	"letters":        ask(letters),
	"carets":         ask(carets),
	"write":          ask(write),
	"style":          ask(style),
	"room":           ask(room),
	"posterFrame":    ask(posterFrame),
	"pastEnd":        ask(pastEnd),
	"choices":        ask(choices),
	"draft":          ask(draft),
	"draftMove":      ask(draftMove),
	"otherCounts":    ask(otherCounts),
	"draftPassage":   ask(draftPassage),
	"wayOf":          ask(wayOf),
	"fontFacts":      ask(fontFacts),
	"course":         ask(course),
	"colourUnder":    ask(colourUnder),
	"screenColour":   ask(screenColour),
	"readable":       ask(readable),
	"piece":          ask(piece),
	"moveFrames":     ask(moveFrames),
	"struck":         ask(struck),
	"loopGap":        ask(loopGap),
	"time":           ask(parseTime),
	"moment":         ask(parseMoment),
	"readLength":     ask(readLength),
	"readMoment":     ask(readMoment),
	"sound":          asking(sound),
	"mix":            ask(mixSound),
	"loudness":       ask(loudness),
	"bands":          asking(bands),
	"hear":           asking(hear),
	"hearCut":        ask(hearCut),
	"excerpts":       ask(excerpts),
	"tune":           ask(tuneOf),
	"retiming":       ask(retiming),
	"credits":        ask(credits),
	"layPhoto":       asking(layPhoto),
	"layeredPicture": ask(layeredPicture),
	"layFootage":     asking(layFootage),
	"lookOn":         ask(lookOn),
	"cutFrame":       ask(cutFrame),
	"followOrder":    ask(followOrder),
	"cutDraft":       ask(cutDraft),
	"cutPart":        ask(cutPart),
	"behindAll":      ask(behindAll),
}

// Call answers a question: a value for JSON, or Bytes.
func (e *Engine) Call(method string, arg, bytes []byte) (any, error) {
	m, ok := Methods[method]
	if !ok {
		return nil, clip.Fault("method", "the engine has no method %q", method)
	}
	return m.call(e, arg, bytes)
}
