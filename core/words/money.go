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
	for i, p := range parts {
		even := i+1 < len(parts) && parts[i+1].Role == offer.Cents && strings.Trim(parts[i+1].Text, "0") == ""
		switch {
		case p.Role == offer.Decimal && (even && m.Zeros == "none" || !even && m.Cents == "bare" || even && m.Zeros == "" && m.Cents == "bare"):
			continue
		case p.Role == offer.Cents && strings.Trim(p.Text, "0") == "" && m.Zeros == "none":
			continue
		case p.Role == offer.Cents && strings.Trim(p.Text, "0") == "" && m.Zeros == "dash":
			p = offer.Part{Text: "–"}
		case p.Role == offer.Cents && m.Cents != "", (p.Role == offer.Sign || p.Role == offer.Note) && m.Sign != "":
			out = append(out, p)
			continue
		}
		p.Role = offer.Text
		if n := len(out); n > 0 && out[n-1].Role == offer.Text {
			out[n-1].Text += p.Text
			continue
		}
		out = append(out, p)
	}
	return out
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
