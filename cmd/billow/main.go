// Command billow is the whole of Billow: the server, its workers, and the same
// drawing and listening from the command line.
package main

import (
	"errors"
	"fmt"
	"os"

	"billow/export"

	"github.com/spf13/cobra"
)

// Exit codes.
const (
	exitFailed = 1 // the work could not be done
	exitUsage  = 2 // the call's words are wrong
	exitInput  = 3 // a file given is wrong
)

// inputError marks an error in a file or value that the caller gave.
type inputError struct{ error }

func (e inputError) Unwrap() error { return e.error }

func main() {
	export.DrawIfAsked()
	root := &cobra.Command{
		Use:           "billow",
		Short:         "Animate product cut-outs into short promotional clips",
		SilenceErrors: true,
		SilenceUsage:  true,
	}
	root.AddCommand(exportCommand(), variantsCommand(), frameCommand(), beatsCommand(), cutoutCommand(), sampleCommand(),
		serveCommand(), workCommand(), demoCommand(), bundleCommand(), importCommand(), schemaCommand(),
		passphraseCommand(), sessionsCommand(), tokenCommand(), tidyCommand())
	root.SetFlagErrorFunc(func(_ *cobra.Command, err error) error { return usageError{err} })
	err := root.Execute()
	if err == nil {
		return
	}
	fmt.Fprintln(os.Stderr, "billow: "+err.Error())
	var input inputError
	var usage usageError
	switch {
	case errors.As(err, &usage):
		os.Exit(exitUsage)
	case errors.As(err, &input):
		os.Exit(exitInput)
	}
	os.Exit(exitFailed)
}

type usageError struct{ error }
