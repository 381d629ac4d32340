package look

// Ready are the looks that there are from the beginning.
var Ready = []Look{
	{ID: "noon", Name: "Noon", Values: of("contrast", 112, "vibrance", 35, "saturation", 106, "exposure", 0.12)},
	{ID: "lantern-light", Name: "Lantern light", Values: of("temperature", 34, "exposure", 0.1, "contrast", 108, "bloom", 45, "bloomFrom", 55, "bloomSoftness", 34, "vibrance", 15)},
	{ID: "harbour-morning", Name: "Harbour morning", Values: of("temperature", -22, "tintGreen", -6, "contrast", 94, "saturation", 88, "exposure", 0.15)},
	{ID: "faded-print", Name: "Faded print", Values: with(of("saturation", 74, "temperature", 10, "levelsDarkest", 10, "levelsLightest", 94, "contrast", 92))},
	{ID: "copper-and-teal", Name: "Copper and teal", Values: with(of("contrast", 108, "vibrance", 20),
		"curveRed", []float64{-4, -2, 4, 5}, "curveBlue", []float64{7, 3, -4, -6})},
	{ID: "night-window", Name: "Night window", Values: of("exposure", -0.7, "temperature", -40, "contrast", 118, "saturation", 80, "bloom", 90, "bloomFrom", 48, "bloomSoftness", 28)},
	{ID: "ink", Name: "Ink", Values: of("saturation", 0, "contrast", 128, "levelsDarkest", 3)},
	{ID: "two-inks", Name: "Two inks", Values: with(of("duotone", 100, "contrast", 115),
		"duotoneDark", []float64{22, 36, 84, 255}, "duotoneLight", []float64{255, 214, 170, 255})},
	{ID: "sweet-shop", Name: "Sweet shop", Values: of("saturation", 128, "exposure", 0.22, "contrast", 96, "tintGreen", -10, "bloom", 25, "bloomFrom", 70)},
	{ID: "soft-focus", Name: "Soft focus", Values: of("bloom", 70, "bloomFrom", 20, "bloomSoftness", 18, "contrast", 96, "saturation", 94)},
}

// of makes values of names and numbers in turn.
func of(pairs ...any) map[string][]float64 {
	out := map[string][]float64{}
	for i := 0; i+1 < len(pairs); i += 2 {
		name := pairs[i].(string)
		switch v := pairs[i+1].(type) {
		case int:
			out[name] = []float64{float64(v)}
		case float64:
			out[name] = []float64{v}
		}
	}
	return out
}

// with adds values of several numbers.
func with(v map[string][]float64, pairs ...any) map[string][]float64 {
	for i := 0; i+1 < len(pairs); i += 2 {
		v[pairs[i].(string)] = pairs[i+1].([]float64)
	}
	return v
}
