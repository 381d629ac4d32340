package cutout

// judge says how a cut was made and how likely it can be used as it is. What tells most,
// on photos whose truth is known: before a plain ground how much of the thing is open, as
// hair and holes are; before any other how sure the pixels near the border are of their
// side.
func (f *Found) judge(t *trimap, l *lookedUp, share, clear float64) {
	open := float64(len(t.list)) / (share * float64(len(t.mask)))
	if f.Method == Plain {
		f.Why = "The background is of one colour, so what differs from it is kept; soft shadows go with the background."
		f.Confidence = .95 - 1.6*max(0, open-.22)
		if l.trusted() < .55 {
			f.Confidence -= .2 // the thing is hardly darker or lighter than the ground
		}
	} else {
		f.Why = "The background has several colours, so colours and places of both sides were learned and parted where that costs least."
		f.Confidence = (clear-.5)/.43 - .8*max(0, open-.3)
	}
	if share > .9 || share < .002 {
		f.Confidence *= .4
	}
	f.Confidence = min(max(f.Confidence, .05), .95)
}

// trusted is the mean of how far what was looked up explains the open pixels, 0..1.
func (l *lookedUp) trusted() (mean float64) {
	if len(l.trust) == 0 {
		return 1
	}
	for _, v := range l.trust {
		mean += float64(v)
	}
	return mean / float64(len(l.trust))
}
