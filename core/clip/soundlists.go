package clip

import "billow/core/wording"

// Lists of what can be said of sounds.
var (
	Fades = wording.List{
		{ID: "", Name: "Even", Says: "As loud as it seems half-way"},
		{ID: "straight", Name: "Straight", Says: "The same step at each moment"},
		{ID: "soft", Name: "Soft", Says: "Slow at both ends"},
		{ID: "deep", Name: "Deep", Says: "Soft for longer"},
	}
	HitKinds = wording.List{
		{ID: "low", Name: "Low", Says: "Bass drums and what booms"},
		{ID: "mid", Name: "Middle", Says: "Snares, claps, stabs"},
		{ID: "high", Name: "High", Says: "Cymbals and what clicks"},
		{ID: "rise", Name: "Rises", Says: "Swells that lead somewhere"},
	}
	SectionKinds = wording.List{
		{ID: Quiet, Name: "Quiet"}, {ID: Build, Name: "Build"}, {ID: Full, Name: "Full"}, {ID: Break, Name: "Break"},
	}
)

// LoudnessTarget is a loudness to which clips are brought.
type LoudnessTarget struct {
	LUFS float64 `json:"lufs"` // 0 is as loud as the sounds are
	Name string  `json:"name"`
}

// LoudnessTargets are those that are offered.
var LoudnessTargets = []LoudnessTarget{
	{-14, "Social media, −14 LUFS"}, {-16, "Softer, −16 LUFS"}, {-23, "Broadcast, −23 LUFS"}, {0, "As loud as it is"},
}

// UsualDuck is the seconds within which a tune ducks where nothing else is said.
const UsualDuck = 0.3

// VoiceDucks is by how many decibels a tune ducks beneath a voice that is recorded, unless it is said otherwise.
const VoiceDucks = 9
