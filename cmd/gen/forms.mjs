// Writes core/offer/forms.go: how languages write money, as the CLDR says, read
// from the Intl of the JavaScript machine that runs it: node cmd/gen/forms.mjs
import { writeFileSync } from "node:fs";

const languages =
  "en en-GB en-AU en-CA en-IE en-IN en-NZ en-ZA de de-AT de-CH fr fr-BE fr-CA fr-CH it it-CH es es-MX es-AR pt pt-PT nl nl-BE " +
  "da sv nb fi is et lv lt pl cs sk hu sl hr ro bg sr el tr uk ru he ar-AE hi th vi id ms ja ko zh zh-TW zh-HK";
const codes = Intl.supportedValuesOf("currency");
const parts = (language, currency, value) =>
  new Intl.NumberFormat(language, {
    style: "currency",
    currency,
  }).formatToParts(value);
// Signs of full width are the same as others that more fonts have.
const sign = (language, currency) =>
  parts(language, currency, 1)
    .find((p) => p.type === "currency")
    .value.replace("￥", "¥")
    .replace("￦", "₩");

function form(language) {
  // Where a sign is letters a space comes between, which is a rule of its own.
  const plain = codes.find((c) => !/\p{L}/u.test(sign(language, c))) ?? "EUR";
  const [of, whole] = [
    parts(language, plain, 1234567),
    (type) => of.find((p) => p.type === type)?.value ?? "",
  ];
  let pattern = "";
  for (const p of of)
    if (p.type === "currency") pattern += "¤";
    else if (p.type === "literal") pattern += p.value;
    else if (!pattern.includes("#")) pattern += "#";
  const decimal = parts(language, "EUR", 1.5).find(
    (p) => p.type === "decimal",
  ).value;
  const least = parts(language, "EUR", 1234).some((p) => p.type === "group")
    ? 1
    : 2;
  const second = of.filter((p) => p.type === "integer")[1].value.length;
  const signs = codes
    .filter((c) => sign(language, c) !== sign("en", c))
    .map((c) => `${c}=${sign(language, c)}`);
  const group = whole("group").replace("'", "’");
  const name = new Intl.DisplayNames("en", {
    type: "language",
    languageDisplay: "standard",
  })
    .of(language)
    .replace(" SAR China", "");
  const share = new Intl.NumberFormat(language, { style: "percent" })
    .format(0.77)
    .replace("77", "#");
  return [
    language,
    name,
    pattern,
    decimal,
    group,
    least,
    second,
    share,
    signs.join(" "),
  ].join("|");
}

// What cannot be seen is written by its number.
const literal = (language) =>
  `\t${JSON.stringify(form(language) + "\n").replace(/[\p{Cf}\u00a0\u202f]/gu, (c) => "\\u" + c.codePointAt(0).toString(16).padStart(4, "0"))}`;

writeFileSync(
  new URL("../../core/offer/forms.go", import.meta.url),
  `// Made by cmd/gen/forms.mjs from the CLDR; not to be changed here.

package offer

// forms is a line for each language: its code and its name in English; how money is written, with
// the sign at ¤ and the amount at #; what is between units and decimals, and between thousands; how
// many digits are before the first of these at least; how many are between the further ones; how a
// percentage is written; and the signs that are others than in English.
const forms = "\\n" +
${languages.split(" ").map(literal).join(" +\n")}
`,
);
