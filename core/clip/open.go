package clip

// Properties of what opens in two halves.
const (
	Open     = "open"     // units by which the halves are apart
	OpenTurn = "openTurn" // degrees of the line along which it opens: 0 is upright, 90 level
	OpenAt   = "openAt"   // percent of its width and height from its middle, through which the line goes
)

var openProperties = []string{Open, OpenTurn, OpenAt}
