package door

import (
	"strings"
	"testing"
	"time"
)

func TestAPhraseMatchesItselfAlone(t *testing.T) {
	kept := Hash("tin kettle on the fire")
	if !strings.HasPrefix(kept, "$argon2id$v=19$m=65536,t=3,p=4$") {
		t.Errorf("it is kept as %s", kept)
	}
	if Hash("tin kettle on the fire") == kept {
		t.Error("two salts are the same")
	}
	if !Matches("tin kettle on the fire", kept) {
		t.Error("the right pass phrase is refused")
	}
	for _, wrong := range []string{"", "tin kettle on the fir", "Tin kettle on the fire", strings.Repeat("x", 5000)} {
		if Matches(wrong, kept) {
			t.Errorf("%.30q lets one in", wrong)
		}
	}
	for _, broken := range []string{"", "$argon2id$", "$argon2id$v=19$m=8,t=1,p=0$c2FsdA$a2V5", "$argon2id$v=19$m=8,t=0,p=1$c2FsdA$a2V5", "$argon2id$v=19$m=8,t=1,p=1$c2FsdA$", "tin kettle on the fire"} {
		if Matches("tin kettle on the fire", broken) {
			t.Errorf("%q lets one in", broken)
		}
	}
}

// The example of the reference implementation's own test (phc-winner-argon2,
// argon2id, version 0x13, t=2, m=2^16, p=1, "password", "somesalt").
func TestPhrasesOfOtherProgramsAreRead(t *testing.T) {
	if !Matches("password", "$argon2id$v=19$m=65536,t=2,p=1$c29tZXNhbHQ$CTFhFdXPJO1aFaMaO6Mm5c8y7cJHAph8ArZWb2GRPPc") {
		t.Error("it does not match")
	}
}

func TestShortPhrasesAreRefused(t *testing.T) {
	for phrase, ok := range map[string]bool{"short": false, "eleven char": false, "twelve chars": true, "zwölf Zeichn": true, "\xff\xffaaaaaaaaaaaa": false} {
		if (Check(phrase) == nil) != ok {
			t.Errorf("%q gives %v", phrase, Check(phrase))
		}
	}
}

func TestWhoTriesTooOftenWaits(t *testing.T) {
	now := time.Date(2026, 1, 1, 0, 0, 0, 0, time.UTC)
	a := &Attempts{Now: func() time.Time { return now }}
	for range 4 {
		a.Wrong("192.0.2.7")
	}
	if w := a.Wait("192.0.2.7"); w != 0 {
		t.Errorf("after four wrong ones it waits %v", w)
	}
	for i, want := range []time.Duration{30 * time.Second, time.Minute, 2 * time.Minute} {
		a.Wrong("192.0.2.7")
		if w := a.Wait("192.0.2.7"); w != want {
			t.Errorf("after %d wrong ones it waits %v, want %v", 5+i, w, want)
		}
	}
	for range 20 {
		a.Wrong("192.0.2.7")
	}
	if w := a.Wait("192.0.2.7"); w != 15*time.Minute {
		t.Errorf("the longest wait is %v", w)
	}
	if w := a.Wait("192.0.2.8"); w != 0 {
		t.Errorf("someone else waits %v", w)
	}
	// A household has a whole network.
	for range 6 {
		a.Wrong("2001:db8:1:2::1")
	}
	if a.Wait("2001:db8:1:2:ffff::9") == 0 || a.Wait("2001:db8:1:3::1") != 0 {
		t.Error("networks are told apart wrongly")
	}
	now = now.Add(15 * time.Minute)
	if w := a.Wait("192.0.2.7"); w != 0 {
		t.Errorf("afterwards it still waits %v", w)
	}
	a.Right("192.0.2.7")
	a.Wrong("192.0.2.7")
	if w := a.Wait("192.0.2.7"); w != 0 {
		t.Errorf("who was right once waits %v", w)
	}
}
