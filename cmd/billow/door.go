package main

import (
	"bufio"
	"context"
	"errors"
	"fmt"
	"io"
	"os"
	"strings"
	"text/tabwriter"
	"time"

	"billow/door"
	"billow/store"

	"github.com/spf13/cobra"
	"golang.org/x/term"
)

func passphraseCommand() *cobra.Command {
	var h home
	cmd := &cobra.Command{
		Use: "passphrase", Short: "Set the pass phrase that lets others in; it ends all sessions", Args: cobra.NoArgs,
		RunE: func(*cobra.Command, []string) error {
			phrase, err := askPhrase()
			if err != nil {
				return err
			}
			if err := door.Check(phrase); err != nil {
				return inputError{err}
			}
			return h.shared(func(ctx context.Context, s *store.Store) error {
				if err := s.SetPhrase(ctx, door.Hash(phrase)); err != nil {
					return err
				}
				fmt.Println("The pass phrase is set; all sessions have ended.")
				return nil
			})
		},
	}
	h.flag(cmd)
	return cmd
}

// askPhrase asks twice on a terminal, without showing what is typed, and else
// reads a line.
func askPhrase() (string, error) {
	in := int(os.Stdin.Fd())
	if !term.IsTerminal(in) {
		line, err := bufio.NewReader(os.Stdin).ReadString('\n')
		if err != nil && !errors.Is(err, io.EOF) {
			return "", err
		}
		return strings.TrimRight(line, "\r\n"), nil
	}
	var said [2]string
	for i, ask := range []string{"New pass phrase: ", "Once more: "} {
		fmt.Fprint(os.Stderr, ask)
		b, err := term.ReadPassword(in)
		fmt.Fprintln(os.Stderr)
		if err != nil {
			return "", err
		}
		said[i] = string(b)
	}
	if said[0] != said[1] {
		return "", inputError{errors.New("the two are not the same; nothing was changed")}
	}
	return said[0], nil
}

func sessionsCommand() *cobra.Command {
	var h home
	cmd := &cobra.Command{Use: "sessions", Short: "List who is signed in", Args: cobra.NoArgs, RunE: func(*cobra.Command, []string) error {
		return h.shared(func(ctx context.Context, s *store.Store) error {
			list, err := s.Sessions(ctx)
			if err != nil {
				return err
			}
			t := table("ID", "LAST SEEN", "FROM", "BROWSER")
			for _, one := range list {
				fmt.Fprintf(t, "%s\t%s\t%s\t%s\n", one.ID, one.Seen.Format(time.DateTime), one.Address, one.Agent)
			}
			return t.Flush()
		})
	}}
	var all bool
	end := &cobra.Command{Use: "end [ID]", Short: "End a session, or all", Args: cobra.MaximumNArgs(1), RunE: func(_ *cobra.Command, args []string) error {
		if all == (len(args) == 1) {
			return usageError{errors.New("name one session, or say --all")}
		}
		return h.shared(func(ctx context.Context, s *store.Store) error {
			if !all {
				return s.EndSession(ctx, args[0])
			}
			n, err := s.EndSessions(ctx)
			fmt.Printf("%d ended\n", n)
			return err
		})
	}}
	end.Flags().BoolVar(&all, "all", false, "all of them")
	cmd.PersistentFlags().StringVar(&h.data, "data", defaultData(), dataHelp)
	cmd.AddCommand(end)
	return cmd
}

func tokenCommand() *cobra.Command {
	var h home
	cmd := &cobra.Command{Use: "token", Short: "Tokens that let scripts in"}
	add := &cobra.Command{Use: "new NAME", Short: "Make a token; it is shown once", Args: cobra.ExactArgs(1), RunE: func(_ *cobra.Command, args []string) error {
		return h.shared(func(ctx context.Context, s *store.Store) error {
			secret := "billow_" + door.NewSecret()
			if _, err := s.AddToken(ctx, args[0], door.Digest(secret)); err != nil {
				return err
			}
			fmt.Fprintln(os.Stderr, "Send it as the header \"Authorization: Bearer ...\". It is not shown again:")
			fmt.Println(secret)
			return nil
		})
	}}
	list := &cobra.Command{Use: "list", Short: "List the tokens", Args: cobra.NoArgs, RunE: func(*cobra.Command, []string) error {
		return h.shared(func(ctx context.Context, s *store.Store) error {
			tokens, err := s.Tokens(ctx)
			if err != nil {
				return err
			}
			t := table("ID", "NAME", "MADE", "LAST USED")
			for _, one := range tokens {
				used := "never"
				if one.Used != nil {
					used = one.Used.Format(time.DateTime)
				}
				fmt.Fprintf(t, "%s\t%s\t%s\t%s\n", one.ID, one.Name, one.Created.Format(time.DateTime), used)
			}
			return t.Flush()
		})
	}}
	end := &cobra.Command{Use: "end ID", Short: "Take a token back", Args: cobra.ExactArgs(1), RunE: func(_ *cobra.Command, args []string) error {
		return h.shared(func(ctx context.Context, s *store.Store) error { return s.EndToken(ctx, args[0]) })
	}}
	cmd.PersistentFlags().StringVar(&h.data, "data", defaultData(), dataHelp)
	cmd.AddCommand(add, list, end)
	return cmd
}

// table begins a table with a line of titles.
func table(titles ...string) *tabwriter.Writer {
	t := tabwriter.NewWriter(os.Stdout, 0, 0, 2, ' ', 0)
	fmt.Fprintln(t, strings.Join(titles, "\t"))
	return t
}

func tidyCommand() *cobra.Command {
	var h home
	var only bool
	var days int
	cmd := &cobra.Command{
		Use: "tidy", Short: "Remove files that no clip, revision or export has needed for 30 days", Args: cobra.NoArgs,
		RunE: func(*cobra.Command, []string) error {
			if days < 1 {
				return usageError{errors.New("--days: at least one")}
			}
			return h.shared(func(ctx context.Context, s *store.Store) error {
				t, err := s.Tidy(ctx, time.Duration(days)*24*time.Hour, only)
				if err != nil {
					return err
				}
				says := "Removed"
				if only {
					says = "Would remove"
				}
				fmt.Printf("%s %d files (%.1f MB) with %d entries of the shelf, %d deleted clips, %d jobs, %d sessions\n",
					says, t.Files, float64(t.Bytes)/1e6, t.Props, t.Clips, t.Jobs, t.Sessions)
				return nil
			})
		},
	}
	h.flag(cmd)
	cmd.Flags().BoolVar(&only, "dry-run", false, "only say what would go")
	cmd.Flags().IntVar(&days, "days", int(store.Keeping/(24*time.Hour)), "how long nothing has needed it")
	return cmd
}
