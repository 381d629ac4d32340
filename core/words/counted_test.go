package words

import (
	"testing"

	"billow/core/clip"
)

// Numbers are written on their way as in the end: grouped, with all their decimals, and never
// as more than there is.
func TestNumbersCountUp(t *testing.T) {
	for _, x := range []struct {
		text  string
		share float64
		want  string
	}{
		{"40 % off", 0, "0 % off"}, {"40 % off", 0.5, "20 % off"}, {"40 % off", 0.999, "39 % off"}, {"40 % off", 1, "40 % off"},
		{"€14.90", 0, "€0.00"}, {"€14.90", 0.5, "€7.45"}, {"€14.90", 1.2, "€14.90"},
		{"€1.299,00", 0.5, "€649,50"}, {"€1.299,00", 0.99, "€1.286,01"}, {"1,500 pieces", 0.1, "150 pieces"},
		{"CHF 1’250.00", 0.9, "CHF 1’125.00"}, {"No number.", 0.3, "No number."}, {"3 for 2.", 0.5, "1 for 1."},
		{"12345678901234567890", 0.5, "12345678901234567890"}, {"", 0.5, ""},
	} {
		got, origin := (&Counting{x.share}).counted([]rune(x.text))
		if string(got) != x.want {
			t.Errorf("%q at %g is %q, want %q", x.text, x.share, string(got), x.want)
		}
		for i, o := range origin {
			if o < 0 || o >= len([]rune(x.text)) || i > 0 && o <= origin[i-1] {
				t.Errorf("%q at %g stands for the runes %v", x.text, x.share, origin)
				break
			}
		}
	}
}

// While they count, digits are as wide as each other where the font has such.
func TestCountingDoesNotShake(t *testing.T) {
	fonts := fontOf(t, "HankenGrotesk_700Bold.ttf")
	w := clip.NewWords("w", "W", clip.KindWords, "Only 89 left").Words
	w.Font = "hanken-400"
	wide := Set(fonts, w, nil, Setting{Size: 100, Counting: &Counting{1}}).W
	for _, share := range []float64{0.2, 0.35, 0.5, 0.77, 0.9} { // 17, 31, 44, 68, 80
		if now := Set(fonts, w, nil, Setting{Size: 100, Counting: &Counting{share}}).W; now < wide-0.01 || now > wide+0.01 {
			t.Errorf("at %g the words are %.2f wide, in the end %.2f", share, now, wide)
		}
	}
}
