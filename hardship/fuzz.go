package hardship

import (
	"context"
	"os/exec"
	"regexp"
	"strconv"
	"strings"
	"time"
)

// Fuzzed is what came of mutated inputs for one target.
type Fuzzed struct {
	Target string
	Inputs int
	Found  string // the failure, or ""
}

var inputs = regexp.MustCompile(`execs: (\d+)`)

// Fuzz runs every fuzz target of the project for a while.
func Fuzz(ctx context.Context, each time.Duration) ([]Fuzzed, error) {
	list, err := exec.CommandContext(ctx, "go", "list", "./...").Output()
	if err != nil {
		return nil, err
	}
	var out []Fuzzed
	for _, pkg := range strings.Fields(string(list)) {
		if strings.HasSuffix(pkg, "/e2e") || strings.HasSuffix(pkg, "/hardship") {
			continue // they start whole servers and have none
		}
		names, err := exec.CommandContext(ctx, "go", "test", "-list", "^Fuzz", pkg).Output()
		if err != nil {
			return out, err
		}
		for _, name := range strings.Fields(string(names)) {
			if !strings.HasPrefix(name, "Fuzz") {
				continue
			}
			said, err := exec.CommandContext(ctx, "go", "test", "-run", "^$", "-fuzz", "^"+name+"$", "-fuzztime", each.String(), pkg).CombinedOutput()
			f := Fuzzed{Target: strings.TrimPrefix(pkg, "billow/") + "." + name}
			if all := inputs.FindAllStringSubmatch(string(said), -1); len(all) > 0 {
				f.Inputs, _ = strconv.Atoi(all[len(all)-1][1]) // digits
			}
			if err != nil {
				f.Found = string(said)
			}
			out = append(out, f)
		}
	}
	return out, nil
}
