package server_test

import "context"

// t0 is the context of what lives as long as the tests.
func t0() context.Context { return context.Background() }
