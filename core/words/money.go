package words

import (
	"strings"

	"billow/core/clip"
	"billow/core/offer"
)

// Small parts of amounts are so large, as shares of the others.
const (
	centsSize = 0.55
	signSize  = 0.6
)

// styled gives amounts the look that words want: what is left out goes, and the parts that look
// like the others lose their roles, so that they are set as one.
func styled(m *clip.Money, letters []told) []told {
	for i := range letters {
		if parts := letters[i].parts; parts != nil {
			letters[i].parts = styledParts(m, parts)
		}
	}
	return letters
}

func styledParts(m *clip.Money, parts []offer.Part) (out []offer.Part) {
	if m == nil {
		m = &clip.Money{}
	}
	zeros := ""
	if evenCents(parts) {
		zeros = m.Zeros
	}
	for _, p := range parts {
		switch {
		case p.Role == offer.Decimal && (zeros == "none" || m.Cents == "bare" && zeros != "dash"), p.Role == offer.Cents && zeros == "none":
			continue
		case p.Role == offer.Cents && zeros == "dash":
			p = offer.Part{Text: "–"}
		case p.Role == offer.Cents && m.Cents == "", p.Role == offer.Whole, p.Role == offer.Decimal, (p.Role == offer.Sign || p.Role == offer.Note) && m.Sign == "":
			p.Role = offer.Text
		}
		if n := len(out); n > 0 && p.Role == offer.Text && out[n-1].Role == offer.Text {
			out[n-1].Text += p.Text
			continue
		}
		out = append(out, p)
	}
	return out
}

// evenCents tells whether an amount has cents and all of them are zero.
func evenCents(parts []offer.Part) bool {
	for _, p := range parts {
		if p.Role == offer.Cents {
			return strings.Trim(p.Text, "0") == ""
		}
	}
	return false
}

// roleSize is how large a part of an amount is, and how far it is raised, as shares of the
// size of the others and of what capitals rise above that.
func roleSize(m *clip.Money, r offer.Role) (size float64, raised bool) {
	switch r {
	case offer.Cents:
		return centsSize, true
	case offer.Sign, offer.Note:
		return signSize, m != nil && m.Sign == "raised" && r == offer.Sign
	}
	return 1, false
}
