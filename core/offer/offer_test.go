package offer

import "testing"

func TestPercentNeverClaimsTooMuch(t *testing.T) {
	for _, c := range []struct {
		price, old string
		want       int
	}{{"49.00", "69.00", 28}, {"15", "20", 25}, {"0.01", "0.03", 66}, {"19.99", "20.00", 0}, {"10", "", 0}, {"0", "5", 100}, {"66.67", "100", 33}} {
		o, err := New(c.price, c.old, "EUR")
		if err != nil {
			t.Fatal(err)
		}
		if got := o.Percent(); got != c.want {
			t.Errorf("%s instead of %s is %d%%, want %d%%", c.price, c.old, got, c.want)
		}
	}
}

func TestWordsShowTheOffer(t *testing.T) {
	o, err := New("1149", "1500.5", "EUR")
	if err != nil {
		t.Fatal(err)
	}
	if got := o.Text("{name}: {price}, was {old}, −{percent} {other}", "Kettle", nil); got != "Kettle: €1,149.00, was €1,500.50, −23% {other}" {
		t.Errorf("the text is %q", got)
	}
	yen, err := New("1200", "", "JPY")
	if err != nil {
		t.Fatal(err)
	}
	if got := yen.Text("{price}{old}{percent}", "", nil); got != "¥1,200" {
		t.Errorf("yen are %q", got)
	}
}

func TestWrongAmountsAreRefused(t *testing.T) {
	for _, c := range [][3]string{{"", "", "EUR"}, {"-1", "", "EUR"}, {"5", "4", "EUR"}, {"5", "5", "EUR"}, {"1e9", "", "EUR"}, {"5,0", "", "EUR"}, {"5", "", "EURO"}, {"NaN", "", "EUR"}} {
		if _, err := New(c[0], c[1], c[2]); err == nil {
			t.Errorf("%v was taken", c)
		}
	}
}
