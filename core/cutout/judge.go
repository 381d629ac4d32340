package cutout

// judge says how a cut was made and how likely it can be used as it is: whether the two
// sides differ where they meet, and how much was open.
func (f *Found) judge(g *evenGround, t *trimap, l *lookedUp, share, clear float64) {
	var trust float64
	for _, v := range l.trust {
		trust += float64(v)
	}
	if len(l.trust) > 0 {
		trust /= float64(len(l.trust))
	}
	f.Confidence = trust
	if f.Method == Plain {
		f.Why = "The background is of one colour, so what differs from it is kept; soft shadows go with the background."
	} else {
		f.Confidence *= clear
		f.Why = "The background has several colours, so colours and places of both sides were learned and parted where that costs least."
	}
	if share > .9 {
		f.Confidence *= .4
	}
	f.Confidence = min(max(f.Confidence, 0), .99)
}
