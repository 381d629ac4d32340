package hardship

import (
	"os"
	"testing"

	"billow/export"
)

func TestMain(m *testing.M) {
	export.DrawIfAsked()
	os.Exit(m.Run())
}

func TestThreePagesOverCutConnectionsLoseNothing(t *testing.T) {
	r, err := EditFromThreePages(240, 7)
	if err != nil {
		t.Fatalf("%v; so far %+v", err, r)
	}
	if r.Lost+r.Twice+r.Wrong > 0 {
		t.Errorf("%+v", r)
	}
	if r.PageCuts < 5 || r.StoreCuts < 5 {
		t.Errorf("too little was cut to find anything: %+v", r)
	}
	t.Logf("%+v", r)
}
