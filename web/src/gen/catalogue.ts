// Made from the core by `go generate ./cmd/gen`; not to be changed here.

export const properties = [
  {"name":"position","title":"Position","unit":"","parts":["right","down"],"dims":2,"neutral":0,"min":-20000,"max":20000,"colour":false,"kinds":["cutout","words","badge","card","marquee","backdrop","photo","floor","pattern","vignette","grain","group","scene"]},
  {"name":"x","title":"Right","unit":"","parts":[""],"dims":1,"neutral":0,"min":-20000,"max":20000,"colour":false,"kinds":["cutout","words","badge","card","marquee","backdrop","photo","floor","pattern","vignette","grain","group","scene"]},
  {"name":"y","title":"Down","unit":"","parts":[""],"dims":1,"neutral":0,"min":-20000,"max":20000,"colour":false,"kinds":["cutout","words","badge","card","marquee","backdrop","photo","floor","pattern","vignette","grain","group","scene"]},
  {"name":"scale","title":"Scale","unit":"%","parts":["width","height"],"dims":2,"neutral":100,"min":0,"max":2000,"colour":false,"kinds":["cutout","words","badge","card","marquee","backdrop","photo","floor","pattern","vignette","grain","group","scene"]},
  {"name":"rotation","title":"Rotation","unit":"°","parts":[""],"dims":1,"neutral":0,"min":-36000,"max":36000,"colour":false,"kinds":["cutout","words","badge","card","marquee","backdrop","photo","floor","pattern","vignette","grain","group","scene"]},
  {"name":"opacity","title":"Opacity","unit":"%","parts":[""],"dims":1,"neutral":100,"min":0,"max":100,"colour":false,"kinds":["cutout","words","badge","card","marquee","backdrop","photo","floor","pattern","vignette","grain","group","scene"]},
  {"name":"lift","title":"Lift","unit":"","parts":[""],"dims":1,"neutral":0,"min":-500,"max":500,"colour":false,"kinds":["cutout","words","badge","card","marquee","backdrop","photo","floor","pattern","vignette","grain","group","scene"]},
  {"name":"secondShadow","title":"Second shadow","unit":"%","parts":[""],"dims":1,"neutral":0,"min":0,"max":100,"colour":false,"kinds":["cutout","words","badge","card","marquee","backdrop","photo","floor","pattern","vignette","grain","group","scene"]},
  {"name":"contact","title":"Contact shadow","unit":"%","parts":[""],"dims":1,"neutral":0,"min":0,"max":100,"colour":false,"kinds":["cutout","words","badge","card","marquee","backdrop","photo","floor","pattern","vignette","grain","group","scene"]},
  {"name":"reflection","title":"Reflection","unit":"%","parts":[""],"dims":1,"neutral":0,"min":0,"max":100,"colour":false,"kinds":["cutout","words","badge","card","marquee","backdrop","photo","floor","pattern","vignette","grain","group","scene"]},
  {"name":"reflectionLength","title":"Reflection, length","unit":"%","parts":[""],"dims":1,"neutral":40,"min":1,"max":100,"colour":false,"kinds":["cutout","words","badge","card","marquee","backdrop","photo","floor","pattern","vignette","grain","group","scene"]},
  {"name":"reflectionBlur","title":"Reflection, blur","unit":"","parts":[""],"dims":1,"neutral":0,"min":0,"max":100,"colour":false,"kinds":["cutout","words","badge","card","marquee","backdrop","photo","floor","pattern","vignette","grain","group","scene"]},
  {"name":"below","title":"Ground below it","unit":"","parts":[""],"dims":1,"neutral":0,"min":-1000,"max":1000,"colour":false,"kinds":["cutout","words","badge","card","marquee","backdrop","photo","floor","pattern","vignette","grain","group","scene"]},
  {"name":"skew","title":"Skew","unit":"°","parts":[""],"dims":1,"neutral":0,"min":-80,"max":80,"colour":false,"kinds":["cutout","words","badge","card","marquee","backdrop","photo","floor","pattern","vignette","grain","group","scene"]},
  {"name":"mirror","title":"Mirror","unit":"%","parts":["left to right","upside down"],"dims":2,"neutral":100,"min":-100,"max":100,"colour":false,"kinds":["cutout","words","badge","card","marquee","backdrop","photo","floor","pattern","vignette","grain","group","scene"]},
  {"name":"pivot","title":"Pivot","unit":"%","parts":["right","down"],"dims":2,"neutral":0,"min":-500,"max":500,"colour":false,"kinds":["cutout","words","badge","card","marquee","backdrop","photo","floor","pattern","vignette","grain","group","scene"]},
  {"name":"depth","title":"Depth","unit":"","parts":[""],"dims":1,"neutral":0,"min":-900,"max":9000,"colour":false,"kinds":["cutout","words","badge","card","marquee","backdrop","photo","floor","pattern","vignette","grain","group","scene"]},
  {"name":"crop","title":"Crop","unit":"%","parts":["left","above","right","below"],"dims":4,"neutral":0,"min":0,"max":100,"colour":false,"kinds":["cutout","words","badge","card","marquee","backdrop","photo","floor","pattern","vignette","grain","group","scene"]},
  {"name":"corner","title":"Corners","unit":"","parts":[""],"dims":1,"neutral":0,"min":0,"max":1000,"colour":false,"kinds":["cutout","words","badge","card","marquee","backdrop","photo","floor","pattern","vignette","grain","group","scene"]},
  {"name":"outline","title":"Outline","unit":"","parts":[""],"dims":1,"neutral":0,"min":0,"max":200,"colour":false,"kinds":["cutout","words","badge","card","marquee"]},
  {"name":"drawStart","title":"Drawn from","unit":"%","parts":[""],"dims":1,"neutral":0,"min":0,"max":100,"colour":false,"kinds":["words","badge","card","marquee"]},
  {"name":"drawEnd","title":"Drawn to","unit":"%","parts":[""],"dims":1,"neutral":100,"min":0,"max":100,"colour":false,"kinds":["words","badge","card","marquee"]},
  {"name":"dashShift","title":"Dashes moved on","unit":"","parts":[""],"dims":1,"neutral":0,"min":-20000,"max":20000,"colour":false,"kinds":["card"]},
  {"name":"corners","title":"Each corner","unit":"","parts":["upper left","upper right","lower right","lower left"],"dims":4,"neutral":0,"min":0,"max":1000,"colour":false,"kinds":["card"]},
  {"name":"inner","title":"Inner","unit":"%","parts":[""],"dims":1,"neutral":50,"min":0,"max":100,"colour":false,"kinds":["card"]},
  {"name":"begin","title":"Ring begins at","unit":"°","parts":[""],"dims":1,"neutral":0,"min":-3600,"max":3600,"colour":false,"kinds":["card"]},
  {"name":"sweep","title":"Ring goes on by","unit":"°","parts":[""],"dims":1,"neutral":360,"min":0,"max":360,"colour":false,"kinds":["card"]},
  {"name":"wave","title":"Waves, height","unit":"","parts":[""],"dims":1,"neutral":0,"min":0,"max":500,"colour":false,"kinds":["card"]},
  {"name":"waveLength","title":"Waves, length","unit":"","parts":[""],"dims":1,"neutral":120,"min":4,"max":4000,"colour":false,"kinds":["card"]},
  {"name":"waveShift","title":"Waves moved on","unit":"°","parts":[""],"dims":1,"neutral":0,"min":-36000,"max":36000,"colour":false,"kinds":["card"]},
  {"name":"offset","title":"Edge moved outwards","unit":"","parts":[""],"dims":1,"neutral":0,"min":-300,"max":300,"colour":false,"kinds":["card"]},
  {"name":"letterSpacing","title":"Spacing","unit":"%","parts":[""],"dims":1,"neutral":0,"min":-50,"max":400,"colour":false,"kinds":["words","badge","marquee"]},
  {"name":"arch","title":"Arch","unit":"°","parts":[""],"dims":1,"neutral":0,"min":-360,"max":360,"colour":false,"kinds":["words","badge","marquee"]},
  {"name":"along","title":"Along the path","unit":"%","parts":[""],"dims":1,"neutral":0,"min":-1000,"max":1000,"colour":false,"kinds":["words","badge","marquee"]},
  {"name":"reveal","title":"Reveal","unit":"%","parts":[""],"dims":1,"neutral":100,"min":0,"max":100,"colour":false,"kinds":["cutout","words","badge","card","marquee","backdrop","photo","floor","pattern","vignette","grain","group","scene"]},
  {"name":"fillColour","title":"Fill","unit":"","parts":[""],"dims":4,"neutral":0,"min":0,"max":255,"colour":true,"kinds":["words","badge","card","marquee","pattern"]},
  {"name":"emphasisColour","title":"Emphasis","unit":"","parts":[""],"dims":4,"neutral":0,"min":0,"max":255,"colour":true,"kinds":["words","badge","marquee"]},
  {"name":"plateColour","title":"Plate","unit":"","parts":[""],"dims":4,"neutral":0,"min":0,"max":255,"colour":true,"kinds":["words","badge","marquee"]},
  {"name":"outlineColour","title":"Outline colour","unit":"","parts":[""],"dims":4,"neutral":0,"min":0,"max":255,"colour":true,"kinds":["cutout","words","badge","card","marquee"]},
  {"name":"fillAngle","title":"Gradient, direction","unit":"°","parts":[""],"dims":1,"neutral":0,"min":-3600,"max":3600,"colour":false,"kinds":["words","badge","card","marquee","backdrop","vignette"]},
  {"name":"fillCentre","title":"Gradient, centre","unit":"%","parts":["right","down"],"dims":2,"neutral":0,"min":-200,"max":200,"colour":false,"kinds":["words","badge","card","marquee","backdrop","vignette"]},
  {"name":"fillReach","title":"Gradient, reach","unit":"%","parts":[""],"dims":1,"neutral":100,"min":1,"max":400,"colour":false,"kinds":["words","badge","card","marquee","backdrop","vignette"]},
  {"name":"fillFlat","title":"Gradient, flatness","unit":"%","parts":[""],"dims":1,"neutral":0,"min":0,"max":95,"colour":false,"kinds":["words","badge","card","marquee","backdrop","vignette"]},
  {"name":"gap","title":"Gap","unit":"","parts":["across","down"],"dims":2,"neutral":0,"min":-20000,"max":20000,"colour":false,"kinds":["cutout","words","badge","card","marquee"]},
  {"name":"apart","title":"Apart","unit":"","parts":[""],"dims":1,"neutral":70,"min":10,"max":500,"colour":false,"kinds":["pattern"]},
  {"name":"aside","title":"Other rows aside","unit":"%","parts":[""],"dims":1,"neutral":0,"min":0,"max":100,"colour":false,"kinds":["cutout","words","badge","card","marquee","pattern"]},
  {"name":"moved","title":"All moved","unit":"","parts":["right","down"],"dims":2,"neutral":0,"min":-20000,"max":20000,"colour":false,"kinds":["cutout","words","badge","card","marquee","pattern"]},
  {"name":"eachTurn","title":"Each turned","unit":"°","parts":[""],"dims":1,"neutral":0,"min":-36000,"max":36000,"colour":false,"kinds":["cutout","words","badge","card","marquee","pattern"]},
  {"name":"eachSize","title":"Each sized","unit":"%","parts":[""],"dims":1,"neutral":100,"min":0,"max":400,"colour":false,"kinds":["cutout","words","badge","card","marquee","pattern"]},
  {"name":"wallColour","title":"Wall","unit":"","parts":[""],"dims":4,"neutral":0,"min":0,"max":255,"colour":true,"kinds":["floor"]},
  {"name":"groundColour","title":"Floor","unit":"","parts":[""],"dims":4,"neutral":0,"min":0,"max":255,"colour":true,"kinds":["floor"]},
  {"name":"lightColour","title":"Glow colour","unit":"","parts":[""],"dims":4,"neutral":0,"min":0,"max":255,"colour":true,"kinds":["floor"]},
  {"name":"horizon","title":"Horizon","unit":"%","parts":[""],"dims":1,"neutral":66,"min":-100,"max":200,"colour":false,"kinds":["floor"]},
  {"name":"horizonSoft","title":"Horizon, softness","unit":"","parts":[""],"dims":1,"neutral":60,"min":0,"max":1000,"colour":false,"kinds":["floor"]},
  {"name":"glow","title":"Glow","unit":"%","parts":[""],"dims":1,"neutral":0,"min":0,"max":100,"colour":false,"kinds":["floor"]},
  {"name":"glowAt","title":"Glow, place","unit":"%","parts":[""],"dims":1,"neutral":0,"min":-200,"max":200,"colour":false,"kinds":["floor"]},
  {"name":"glowReach","title":"Glow, width","unit":"%","parts":[""],"dims":1,"neutral":90,"min":1,"max":400,"colour":false,"kinds":["floor"]},
  {"name":"zoom","title":"Zoom","unit":"%","parts":[""],"dims":1,"neutral":100,"min":10,"max":1000,"colour":false,"kinds":["photo"]},
  {"name":"pan","title":"Pan","unit":"%","parts":["right","down"],"dims":2,"neutral":0,"min":-300,"max":300,"colour":false,"kinds":["photo"]},
  {"name":"tint","title":"Tint","unit":"%","parts":[""],"dims":1,"neutral":0,"min":0,"max":100,"colour":false,"kinds":["photo"]},
  {"name":"tintColour","title":"Tint colour","unit":"","parts":[""],"dims":4,"neutral":0,"min":0,"max":255,"colour":true,"kinds":["photo"]},
  {"name":"grain","title":"Grain","unit":"%","parts":[""],"dims":1,"neutral":0,"min":0,"max":100,"colour":false,"kinds":["grain"]},
  {"name":"open","title":"Opened","unit":"","parts":[""],"dims":1,"neutral":0,"min":0,"max":20000,"colour":false,"kinds":["card","backdrop","photo","floor","pattern","vignette","group"]},
  {"name":"openTurn","title":"Opened, turn of the line","unit":"°","parts":[""],"dims":1,"neutral":0,"min":-3600,"max":3600,"colour":false,"kinds":["card","backdrop","photo","floor","pattern","vignette","group"]},
  {"name":"openAt","title":"Opened, at","unit":"%","parts":["right","down"],"dims":2,"neutral":0,"min":-50,"max":50,"colour":false,"kinds":["card","backdrop","photo","floor","pattern","vignette","group"]},
  {"name":"time","title":"Time inside","unit":"","parts":[""],"dims":1,"neutral":0,"min":-20000,"max":36000,"colour":false,"kinds":["group"]},
  {"name":"saturation","title":"Saturation","unit":"%","parts":[""],"dims":1,"neutral":100,"min":0,"max":300,"colour":false,"kinds":["cutout","words","badge","card","marquee","backdrop","photo","floor","pattern","vignette","grain","group","scene"]},
  {"name":"innerShadow","title":"Inner shadow","unit":"%","parts":[""],"dims":1,"neutral":0,"min":0,"max":100,"colour":false,"kinds":["cutout","words","badge","card","marquee","backdrop","photo","floor","pattern","vignette","grain","group","scene"]},
  {"name":"innerDirection","title":"Inner shadow, falls towards","unit":"°","parts":[""],"dims":1,"neutral":145,"min":-3600,"max":3600,"colour":false,"kinds":["cutout","words","badge","card","marquee","backdrop","photo","floor","pattern","vignette","grain","group","scene"]},
  {"name":"innerDistance","title":"Inner shadow, distance","unit":"","parts":[""],"dims":1,"neutral":12,"min":0,"max":300,"colour":false,"kinds":["cutout","words","badge","card","marquee","backdrop","photo","floor","pattern","vignette","grain","group","scene"]},
  {"name":"innerSoftness","title":"Inner shadow, softness","unit":"","parts":[""],"dims":1,"neutral":10,"min":0,"max":200,"colour":false,"kinds":["cutout","words","badge","card","marquee","backdrop","photo","floor","pattern","vignette","grain","group","scene"]},
  {"name":"blur","title":"Blur","unit":"","parts":[""],"dims":1,"neutral":0,"min":0,"max":200,"colour":false,"kinds":["cutout","words","badge","card","marquee","backdrop","photo","floor","pattern","vignette","grain","group","scene"]},
] as const

export const families = [
  {"name":"point","title":"Path","unit":"%","parts":["right","down"],"dims":2,"neutral":0,"min":-1000,"max":1000,"colour":false,"kinds":["card"]},
  {"name":"bend","title":"Bend","unit":"%","parts":["in, right","in, down","out, right","out, down"],"dims":4,"neutral":0,"min":-1000,"max":1000,"colour":false,"kinds":["card"]},
  {"name":"colour","title":"Colour","unit":"","parts":[""],"dims":4,"neutral":0,"min":0,"max":255,"colour":true,"kinds":["words","card","backdrop","vignette"]},
  {"name":"at","title":"At, colour","unit":"%","parts":[""],"dims":1,"neutral":0,"min":0,"max":100,"colour":false,"kinds":["words","card","backdrop","vignette"]},
  {"name":"pointColour","title":"Colour of point","unit":"","parts":[""],"dims":4,"neutral":0,"min":0,"max":255,"colour":true,"kinds":["words","card","backdrop","vignette"]},
  {"name":"lineWidth","title":"Width of outline","unit":"","parts":[""],"dims":1,"neutral":0,"min":0,"max":200,"colour":false,"kinds":["card"]},
  {"name":"lineApart","title":"Distance of outline","unit":"","parts":[""],"dims":1,"neutral":0,"min":-300,"max":300,"colour":false,"kinds":["card"]},
  {"name":"lineColour","title":"Colour of outline","unit":"","parts":[""],"dims":4,"neutral":0,"min":0,"max":255,"colour":true,"kinds":["card"]},
  {"name":"maskPlace","title":"Place of mask","unit":"","parts":["right","down"],"dims":2,"neutral":0,"min":-20000,"max":20000,"colour":false,"kinds":["cutout","words","badge","card","marquee","backdrop","photo","floor","pattern","vignette","grain","group","scene"]},
  {"name":"maskSize","title":"Size of mask","unit":"","parts":["width","height"],"dims":2,"neutral":0,"min":0,"max":20000,"colour":false,"kinds":["cutout","words","badge","card","marquee","backdrop","photo","floor","pattern","vignette","grain","group","scene"]},
  {"name":"maskTurn","title":"Turn of mask","unit":"°","parts":[""],"dims":1,"neutral":0,"min":-36000,"max":36000,"colour":false,"kinds":["cutout","words","badge","card","marquee","backdrop","photo","floor","pattern","vignette","grain","group","scene"]},
  {"name":"maskCorner","title":"Corners of mask","unit":"","parts":[""],"dims":1,"neutral":0,"min":0,"max":20000,"colour":false,"kinds":["cutout","words","badge","card","marquee","backdrop","photo","floor","pattern","vignette","grain","group","scene"]},
  {"name":"maskFeather","title":"Feather of mask","unit":"","parts":[""],"dims":1,"neutral":0,"min":0,"max":300,"colour":false,"kinds":["cutout","words","badge","card","marquee","backdrop","photo","floor","pattern","vignette","grain","group","scene"]},
  {"name":"maskExpand","title":"Expansion of mask","unit":"","parts":[""],"dims":1,"neutral":0,"min":-1000,"max":1000,"colour":false,"kinds":["cutout","words","badge","card","marquee","backdrop","photo","floor","pattern","vignette","grain","group","scene"]},
  {"name":"axis","title":"Axis","unit":"","parts":[""],"dims":1,"neutral":0,"min":-10000,"max":10000,"colour":false,"kinds":["words"]},
  {"name":"place","title":"Point","unit":"%","parts":["right","down"],"dims":2,"neutral":0,"min":-200,"max":200,"colour":false,"kinds":["words","card","backdrop","vignette"]},
] as const

export const lightProperties = [
  {"name":"direction","title":"Direction","unit":"°","parts":[""],"dims":1,"neutral":0,"min":-3600,"max":3600,"colour":false,"kinds":[]},
  {"name":"height","title":"Height","unit":"°","parts":[""],"dims":1,"neutral":0,"min":10,"max":90,"colour":false,"kinds":[]},
] as const

export const easings = [
  {"id":"linear","name":"Linear"},
  {"id":"in","name":"Ease in"},
  {"id":"out","name":"Ease out"},
  {"id":"inOut","name":"Ease in-out"},
  {"id":"hold","name":"Hold"},
  {"id":"bezier","name":"Bezier"},
  {"id":"spring","name":"Spring"},
  {"id":"bounce","name":"Bounce"},
  {"id":"steps","name":"Steps"},
] as const

export const sides = [
  {"id":"left","name":"Left"},
  {"id":"right","name":"Right"},
  {"id":"above","name":"Above"},
  {"id":"below","name":"Below"},
  {"id":"aboveLeft","name":"Above left"},
  {"id":"aboveRight","name":"Above right"},
  {"id":"belowLeft","name":"Below left"},
  {"id":"belowRight","name":"Below right"},
] as const

export const moveKinds = [
  {"id":"gust","name":"Gust","says":"Flies in leaning and comes upright","icon":"wind","sides":[{"id":"left","name":"Left"},{"id":"right","name":"Right"},{"id":"above","name":"Above"},{"id":"below","name":"Below"},{"id":"aboveLeft","name":"Above left"},{"id":"aboveRight","name":"Above right"},{"id":"belowLeft","name":"Below left"},{"id":"belowRight","name":"Below right"},{"id":"","name":"From nothing"}],"turns":true,"strong":true,"of":"","drifts":true},
  {"id":"settle","name":"Settle","says":"Drops in, hops, comes to rest","icon":"arrow-down-short","sides":[{"id":"left","name":"Left"},{"id":"right","name":"Right"},{"id":"above","name":"Above"},{"id":"below","name":"Below"},{"id":"aboveLeft","name":"Above left"},{"id":"aboveRight","name":"Above right"},{"id":"belowLeft","name":"Below left"},{"id":"belowRight","name":"Below right"}],"turns":true,"strong":true,"of":"","drifts":false},
  {"id":"swell","name":"Swell","says":"Pops past full size and back","icon":"arrows-angle-expand","sides":[],"turns":false,"strong":true,"of":"","drifts":false},
  {"id":"flutter","name":"Flutter","says":"Sways as it hangs, then calms","icon":"flag","sides":[],"turns":true,"strong":true,"of":"","drifts":false},
  {"id":"waft","name":"Waft","says":"Drifts slowly until it has left","icon":"cloud","sides":[{"id":"left","name":"Left"},{"id":"right","name":"Right"},{"id":"above","name":"Above"},{"id":"below","name":"Below"},{"id":"aboveLeft","name":"Above left"},{"id":"aboveRight","name":"Above right"},{"id":"belowLeft","name":"Below left"},{"id":"belowRight","name":"Below right"}],"turns":true,"strong":true,"of":"","drifts":false},
  {"id":"unfurl","name":"Unfurl","says":"Is revealed along its own edge","icon":"layers","sides":[{"id":"left","name":"Left"},{"id":"right","name":"Right"},{"id":"above","name":"Above"},{"id":"below","name":"Below"}],"turns":false,"strong":false,"of":"","drifts":false},
  {"id":"near","name":"Near","says":"Slowly nears, or passes, the picture","icon":"zoom-in","sides":[{"id":"","name":"Straight on"},{"id":"left","name":"Left"},{"id":"right","name":"Right"},{"id":"above","name":"Above"},{"id":"below","name":"Below"}],"turns":false,"strong":true,"of":"photo","drifts":false},
  {"id":"bob","name":"Bob","says":"Hops in place to be noticed","icon":"chevron-double-up","sides":[],"turns":false,"strong":true,"of":"","drifts":false},
  {"id":"lull","name":"Lull","says":"Stays exactly still for this long","icon":"pause","sides":[],"turns":false,"strong":false,"of":"","drifts":false},
  {"id":"whisk","name":"Whisk","says":"Leaves the frame fast, gathering speed","icon":"box-arrow-up-right","sides":[{"id":"left","name":"Left"},{"id":"right","name":"Right"},{"id":"above","name":"Above"},{"id":"below","name":"Below"},{"id":"aboveLeft","name":"Above left"},{"id":"aboveRight","name":"Above right"},{"id":"belowLeft","name":"Below left"},{"id":"belowRight","name":"Below right"},{"id":"","name":"To nothing"}],"turns":true,"strong":true,"of":"","drifts":false},
] as const

export const passages = [
  {"id":"rise","name":"Rise","says":"Words slide up from behind their own edge"},
  {"id":"gather","name":"Gather","says":"Words come spread apart and close up"},
  {"id":"typed","name":"Typed","says":"Letter by letter, with a caret"},
  {"id":"clearing","name":"Clearing","says":"A blur that clears, line by line"},
  {"id":"pebbles","name":"Pebbles","says":"Letters pop past full size and settle"},
  {"id":"tumble","name":"Tumble","says":"Letters fall in leaning and come upright"},
  {"id":"drizzle","name":"Drizzle","says":"Letters drop in here and there"},
  {"id":"ripple","name":"Ripple","says":"Letters rise from the middle outwards"},
  {"id":"lean","name":"Lean","says":"Words glide in slanted and straighten"},
  {"id":"brush","name":"Brush","says":"Each line is uncovered along a soft edge"},
  {"id":"ink","name":"Ink","says":"Outlines are drawn, then filled"},
  {"id":"drum","name":"Drum","says":"One word on every beat"},
  {"id":"count","name":"Count","says":"Numbers count up to what they say"},
  {"id":"flare","name":"Flare","says":"Words flare up in another colour"},
] as const

export const passageParts = [
  {"id":"whole","name":"All at once"},
  {"id":"line","name":"Line by line"},
  {"id":"word","name":"Word by word"},
  {"id":"letter","name":"Letter by letter"},
] as const

export const passageOrders = [
  {"id":"","name":"As they are read"},
  {"id":"backward","name":"From the last"},
  {"id":"centre","name":"From the middle"},
  {"id":"edges","name":"From both ends"},
  {"id":"random","name":"At random"},
] as const

export const passageEdges = [
  {"id":"","name":"In the open"},
  {"id":"below","name":"From below its edge"},
  {"id":"above","name":"From above its edge"},
  {"id":"left","name":"From its left edge"},
  {"id":"right","name":"From its right edge"},
] as const

export const figures = [
  {"id":"card","name":"Card","says":"A rectangle, with round corners or without"},
  {"id":"disc","name":"Disc","says":"A circle or an ellipse"},
  {"id":"ring","name":"Ring","says":"A ring, or a part of one"},
  {"id":"polygon","name":"Polygon","says":"As many sides as you like"},
  {"id":"star","name":"Star","says":"As many points as you like"},
  {"id":"burst","name":"Burst","says":"A badge with soft teeth"},
  {"id":"arrow","name":"Arrow","says":"An arrow to the right"},
  {"id":"line","name":"Line","says":"A line, drawn by its outline"},
  {"id":"path","name":"Path","says":"Drawn by hand or point by point"},
] as const

export const maskForms = [
  {"id":"disc","name":"Disc","says":"A circle or an ellipse"},
  {"id":"card","name":"Card","says":"A rectangle, with round corners or without"},
  {"id":"line","name":"Line","says":"All that lies on one side of a line"},
  {"id":"path","name":"Draw","says":"Whatever is drawn around in the picture"},
] as const

export const fits = [
  {"id":"fill","name":"Fills the frame","says":"All of the frame is covered; the place of interest stays in sight"},
  {"id":"fit","name":"Shows all of it","says":"All of the picture shows"},
  {"id":"tile","name":"Is laid like tiles","says":"Again and again, edge to edge"},
] as const

export const maskModes = [
  {"id":"add","name":"Add","says":"Shows it, too"},
  {"id":"subtract","name":"Subtract","says":"Hides it"},
  {"id":"intersect","name":"Intersect","says":"Shows only what lies in both"},
] as const

export const fonts = [
  {"id":"bricolage-800","name":"Bricolage, extra bold"},
  {"id":"bricolage-500","name":"Bricolage, medium"},
  {"id":"hanken-400","name":"Hanken, regular"},
  {"id":"hanken-700","name":"Hanken, bold"},
  {"id":"hanken-900","name":"Hanken, black"},
  {"id":"fraunces-600","name":"Fraunces, semibold"},
  {"id":"fraunces-600-italic","name":"Fraunces, italic"},
  {"id":"caveat-700","name":"Caveat, bold"},
  {"id":"rubik-600","name":"Rubik, semibold"},
  {"id":"anton-400","name":"Anton"},
  {"id":"archivo-black-400","name":"Archivo Black"},
  {"id":"alfa-slab-400","name":"Alfa Slab One"},
  {"id":"barlow-condensed-700","name":"Barlow Condensed, bold"},
  {"id":"bitter-800","name":"Bitter, extra bold"},
  {"id":"bungee-400","name":"Bungee"},
  {"id":"comfortaa-700","name":"Comfortaa, bold"},
  {"id":"dm-serif-400","name":"DM Serif Display"},
  {"id":"fredoka-600","name":"Fredoka, semibold"},
  {"id":"inter-400","name":"Inter, regular"},
  {"id":"inter-700","name":"Inter, bold"},
  {"id":"jetbrains-mono-700","name":"JetBrains Mono, bold"},
  {"id":"lora-600","name":"Lora, semibold"},
  {"id":"manrope-500","name":"Manrope, medium"},
  {"id":"manrope-800","name":"Manrope, extra bold"},
  {"id":"montserrat-500","name":"Montserrat, medium"},
  {"id":"montserrat-800","name":"Montserrat, extra bold"},
  {"id":"oswald-600","name":"Oswald, semibold"},
  {"id":"pacifico-400","name":"Pacifico"},
  {"id":"playfair-800","name":"Playfair Display, extra bold"},
  {"id":"playfair-500-italic","name":"Playfair Display, italic"},
  {"id":"righteous-400","name":"Righteous"},
  {"id":"shrikhand-400","name":"Shrikhand"},
  {"id":"sora-700","name":"Sora, bold"},
  {"id":"space-grotesk-700","name":"Space Grotesk, bold"},
  {"id":"unbounded-800","name":"Unbounded, extra bold"},
  {"id":"anybody","name":"Anybody, variable"},
  {"id":"bricolage-variable","name":"Bricolage, variable"},
  {"id":"eb-garamond-700","name":"EB Garamond, bold"},
] as const

export const blends = [
  {"id":"normal","name":"Normal"},
  {"id":"multiply","name":"Multiply"},
  {"id":"screen","name":"Screen"},
  {"id":"overlay","name":"Overlay"},
  {"id":"darken","name":"Darken"},
  {"id":"lighten","name":"Lighten"},
  {"id":"color-dodge","name":"Colour dodge"},
  {"id":"color-burn","name":"Colour burn"},
  {"id":"hard-light","name":"Hard light"},
  {"id":"soft-light","name":"Soft light"},
  {"id":"difference","name":"Difference"},
  {"id":"exclusion","name":"Exclusion"},
  {"id":"hue","name":"Hue"},
  {"id":"saturation","name":"Saturation"},
  {"id":"color","name":"Colour"},
  {"id":"luminosity","name":"Luminosity"},
] as const

export const pins = [
  {"id":"centre","name":"Centre"},
  {"id":"top","name":"Top"},
  {"id":"bottom","name":"Bottom"},
  {"id":"left","name":"Left"},
  {"id":"right","name":"Right"},
  {"id":"topLeft","name":"Top left"},
  {"id":"topRight","name":"Top right"},
  {"id":"bottomLeft","name":"Bottom left"},
  {"id":"bottomRight","name":"Bottom right"},
] as const

export const shapes = [
  {"id":"tall","name":"Tall","ratio":"9:16","w":1080,"h":1920},
  {"id":"portrait","name":"Portrait","ratio":"4:5","w":1080,"h":1350},
  {"id":"square","name":"Square","ratio":"1:1","w":1080,"h":1080},
  {"id":"wide","name":"Wide","ratio":"16:9","w":1920,"h":1080},
  {"id":"poster","name":"Poster","ratio":"2:3","w":1080,"h":1620},
] as const

export const layerKinds = [
  {"id":"cutout","name":"Cut-out","says":"A product without its background","field":"cutout","icon":"box-seam","offered":false,"holds":false,"fills":false,"plays":false},
  {"id":"words","name":"Headline","says":"Words of any size","field":"words","icon":"fonts","offered":true,"holds":false,"fills":false,"plays":false},
  {"id":"badge","name":"Badge","says":"A price or a call on a plate","field":"words","icon":"patch-check","offered":true,"holds":false,"fills":false,"plays":false},
  {"id":"card","name":"Figure","says":"A card, ring, star, arrow or line","field":"card","icon":"hexagon","offered":true,"holds":false,"fills":false,"plays":false},
  {"id":"marquee","name":"Marquee","says":"Words that run on without end","field":"words","icon":"arrow-left-right","offered":true,"holds":false,"fills":false,"plays":false},
  {"id":"backdrop","name":"Backdrop","says":"Fills the frame behind all","field":"backdrop","icon":"image","offered":true,"holds":false,"fills":true,"plays":false},
  {"id":"photo","name":"Picture","says":"A photo that fills the frame","field":"cutout","icon":"card-image","offered":false,"holds":false,"fills":true,"plays":false},
  {"id":"floor","name":"Floor","says":"A wall and a floor to stand on","field":"floor","icon":"align-bottom","offered":true,"holds":false,"fills":true,"plays":false},
  {"id":"pattern","name":"Pattern","says":"A grid of small figures that fills the frame","field":"pattern","icon":"grid-3x3-gap","offered":true,"holds":false,"fills":true,"plays":false},
  {"id":"vignette","name":"Vignette","says":"Darkens the edges of what is beneath","field":"backdrop","icon":"vignette","offered":true,"holds":false,"fills":true,"plays":false},
  {"id":"grain","name":"Grain","says":"Fine noise over what is beneath","field":"grain","icon":"cloud-haze2","offered":true,"holds":false,"fills":true,"plays":false},
  {"id":"group","name":"Group","says":"Layers that go together","field":"inside","icon":"collection","offered":false,"holds":true,"fills":false,"plays":false},
  {"id":"scene","name":"Scene","says":"A part of the clip with a time of its own","field":"scene","icon":"film","offered":false,"holds":true,"fills":true,"plays":true},
] as const

export const transitions = [
  {"id":"dissolve","name":"Dissolve","says":"One scene fades into the next","usual":12},
] as const

export const productSlot = "@product"
