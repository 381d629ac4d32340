package words

import (
	"strings"
	"unicode"
)

const (
	// wordsASecond is how many words most people read in a second, on a screen that moves.
	wordsASecond = 3
	// firstLook is how long, in seconds, it takes to see that there is something to read.
	firstLook = 0.5
)

// ReadingTime is how many seconds a text needs to be read; a number counts as two words.
func ReadingTime(text string) float64 {
	count := 0
	for _, word := range strings.Fields(text) {
		switch {
		case strings.ContainsFunc(word, unicode.IsDigit):
			count += 2
		case strings.ContainsFunc(word, unicode.IsLetter):
			count++
		}
	}
	if count == 0 {
		return 0
	}
	return float64(count)/wordsASecond + firstLook
}
