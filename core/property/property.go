// Package property describes what can have keys: how many numbers a value has,
// its range, and how it is spoken of.
package property

// Property is what is known of a property.
type Property struct {
	Name    string
	Dims    int     // numbers of a value
	Neutral float64 // the number that changes nothing, where there is one
	Min     float64
	Max     float64
	Colour  bool      // red, green, blue, alpha 0..255
	Usual   []float64 // of a colour that no content has: what it is where none is set
	Title   string    // as people read it
	Unit    string    // after a number, or none
	Parts   []string  // what the numbers of a value are called, where there are several
}

// Colour is a property whose value is a colour.
func Colour(name, title string) Property {
	return Property{Name: name, Dims: 4, Max: 255, Colour: true, Title: title}
}
