package clip

// Repeat shows a layer again and again, in columns and rows about where it stands. How far
// apart they are, how each is turned and how far they are moved are properties.
type Repeat struct {
	Columns  int     `json:"columns,omitempty"`  // 1..100; none is as many as reach across the frame
	Rows     int     `json:"rows,omitempty"`     // 1..100; none is as many as reach down the frame
	Speed    float64 `json:"speed,omitempty"`    // with which rows run to the right: units a second
	ByBar    bool    `json:"byBar,omitempty"`    // Speed is so many of the layer's steps in a bar
	Opposite bool    `json:"opposite,omitempty"` // every other row runs the other way
}

// MaxRepeats is how many columns, or rows, a repeated layer has at most where they are
// counted.
const MaxRepeats = 100

// Properties of what is repeated.
const (
	Gap      = "gap"      // units left free between one and the next, across and down
	Apart    = "apart"    // of a pattern: units from one to the next, both ways
	Aside    = "aside"    // percent of a step by which every other row is moved
	Moved    = "moved"    // units by which all are moved: right, down
	EachTurn = "eachTurn" // degrees by which each is turned about its middle
	EachSize = "eachSize" // percent of its size; of a pattern, of what one has for itself
)

// repeatProperties are those of repeated layers.
var repeatProperties = []string{Gap, Aside, Moved, EachTurn, EachSize}

func validateRepeat(field string, l *Layer) error {
	r := l.Repeat
	if r == nil {
		return nil
	}
	if !Has(l.Kind, Gap) {
		return Fault(field, "%q cannot be repeated: only words, pictures and figures can", l.Name)
	}
	return firstError(
		within(field+".columns", float64(r.Columns), 0, MaxRepeats), within(field+".rows", float64(r.Rows), 0, MaxRepeats),
		within(field+".speed", r.Speed, -MaxUnits, MaxUnits),
	)
}
