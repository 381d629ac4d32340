// Made by cmd/gen/forms.mjs from the CLDR; not to be changed here.

package offer

// forms is a line for each language: its code and its name in English; how money is written, with
// the sign at ¤ and the amount at #; what is between units and decimals, and between thousands; how
// many digits are before the first of these at least; how many are between the further ones; how a
// percentage is written; and the signs that are others than in English.
const forms = "\n" +
	"en|English|¤#|.|,|1|3|#%|\n" +
	"en-GB|English (United Kingdom)|¤#|.|,|1|3|#%|JPY=JP¥ USD=US$\n" +
	"en-AU|English (Australia)|¤#|.|,|1|3|#%|AUD=$ BRL=BRL CAD=CAD CNY=CNY EUR=EUR GBP=GBP HKD=HKD ILS=ILS INR=INR JPY=JPY KRW=KRW MXN=MXN NZD=NZD PHP=PHP SCR=Rs TWD=TWD USD=USD VND=VND XAF=XAF XCD=XCD XOF=XOF XPF=CFP\n" +
	"en-CA|English (Canada)|¤#|.|,|1|3|#%|CAD=$ JPY=JP¥ USD=US$ XCG=Cg\n" +
	"en-IE|English (Ireland)|¤#|.|,|1|3|#%|JPY=JP¥ USD=US$\n" +
	"en-IN|English (India)|¤#|.|,|1|2|#%|JPY=JP¥\n" +
	"en-NZ|English (New Zealand)|¤#|.|,|1|3|#%|JPY=JP¥ NZD=$ USD=US$\n" +
	"en-ZA|English (South Africa)|¤#|,|\u00a0|1|3|#%|JPY=JP¥ USD=US$ ZAR=R\n" +
	"de|German|#\u00a0¤|,|.|1|3|#\u00a0%|AUD=AU$ PHP=PHP THB=฿\n" +
	"de-AT|German (Austria)|¤\u00a0#|,|.|1|3|#\u00a0%|AUD=AU$ PHP=PHP THB=฿\n" +
	"de-CH|German (Switzerland)|¤\u00a0#|.|’|1|3|#%|AUD=AU$ EUR=EUR PHP=PHP THB=฿\n" +
	"fr|French|#\u00a0¤|,|\u202f|1|3|#\u00a0%|ARS=$AR AUD=$AU BMD=$BM BND=$BN BZD=$BZ CAD=$CA CLP=$CL CNY=CNY COP=$CO FJD=$FJ FKP=£FK GBP=£GB GIP=£GI HKD=HKD JPY=JPY LBP=£LB MXN=$MX NAD=$NA NZD=$NZ PHP=PHP SBD=$SB SGD=$SG SRD=$SR TTD=$TT TWD=TWD USD=$US UYU=$UY WST=$WS XCD=XCD XPF=FCFP\n" +
	"fr-BE|French (Belgium)|#\u00a0¤|,|\u202f|1|3|#\u00a0%|ARS=$AR AUD=$AU BMD=$BM BND=$BN BZD=$BZ CAD=$CA CLP=$CL CNY=CNY COP=$CO FJD=$FJ FKP=£FK GBP=£GB GIP=£GI HKD=HKD JPY=JPY LBP=£LB MXN=$MX NAD=$NA NZD=$NZ PHP=PHP SBD=$SB SGD=$SG SRD=$SR TTD=$TT TWD=TWD USD=$US UYU=$UY WST=$WS XCD=XCD XPF=FCFP\n" +
	"fr-CA|French (Canada)|#\u00a0¤|,|\u00a0|1|3|#\u00a0%|AUD=$\u00a0AU CAD=$ HKD=$\u00a0HK ILS=ILS INR=INR KRW=KRW MXN=MXN NZD=$\u00a0NZ PHP=PHP SGD=$\u00a0SG TWD=TWD USD=$\u00a0US VND=VND XAF=XAF XCD=XCD XOF=XOF XPF=XPF\n" +
	"fr-CH|French (Switzerland)|#\u00a0¤|.|\u202f|1|3|#%|ARS=$AR AUD=$AU BMD=$BM BND=$BN BZD=$BZ CAD=$CA CLP=$CL CNY=CNY COP=$CO FJD=$FJ FKP=£FK GBP=£GB GIP=£GI HKD=HKD JPY=JPY LBP=£LB MXN=$MX NAD=$NA NZD=$NZ PHP=PHP SBD=$SB SGD=$SG SRD=$SR TTD=$TT TWD=TWD USD=$US UYU=$UY WST=$WS XCD=XCD XPF=FCFP\n" +
	"it|Italian|#\u00a0¤|,|.|2|3|#%|BRL=BRL HKD=HKD INR=INR JPY=JPY KRW=KRW MXN=MXN THB=฿ TWD=TWD USD=USD VND=VND XCG=Cf\n" +
	"it-CH|Italian (Switzerland)|¤\u00a0#|.|’|2|3|#%|BRL=BRL HKD=HKD INR=INR JPY=JPY KRW=KRW MXN=MXN THB=฿ TWD=TWD USD=USD VND=VND XCG=Cf\n" +
	"es|Spanish|#\u00a0¤|,|.|2|3|#\u00a0%|AUD=AUD BRL=BRL CAD=CAD CNY=CNY GBP=GBP HKD=HKD ILS=ILS INR=INR JPY=JPY KRW=KRW MXN=MXN NZD=NZD PHP=PHP THB=฿ TWD=TWD USD=US$ XAF=XAF XCD=XCD XOF=XOF\n" +
	"es-MX|Spanish (Mexico)|¤#|.|,|1|3|#%|AUD=AUD BRL=BRL CAD=CAD CNY=CNY EUR=EUR GBP=GBP HKD=HKD ILS=ILS INR=INR JPY=JPY KRW=KRW MRU=UM MXN=$ NZD=NZD PHP=PHP TWD=TWD USD=USD VND=VND XAF=XAF XCD=XCD XOF=XOF\n" +
	"es-AR|Spanish (Argentina)|¤\u00a0#|,|.|1|3|#%|ARS=$ AUD=AUD BRL=BRL CAD=CAD CNY=CNY EUR=EUR GBP=GBP HKD=HKD ILS=ILS INR=INR JPY=JPY KRW=KRW MXN=MXN NZD=NZD PHP=PHP TWD=TWD USD=US$ VND=VND XAF=XAF XCD=XCD XOF=XOF\n" +
	"pt|Portuguese|¤\u00a0#|,|.|1|3|#%|AUD=AU$ JPY=JP¥ PHP=PHP THB=฿ USD=US$\n" +
	"pt-PT|Portuguese (Portugal)|#\u00a0¤|,|\u00a0|2|3|#%|AUD=AU$ JPY=JP¥ PHP=PHP THB=฿ USD=US$\n" +
	"nl|Dutch|¤\u00a0#|,|.|1|3|#%|AUD=AU$ CAD=C$ FJD=FJ$ JPY=JP¥ PHP=PHP SBD=SI$ THB=฿ USD=US$ XPF=XPF ZWG=ZiG\n" +
	"nl-BE|Dutch (Belgium)|¤\u00a0#|,|.|1|3|#%|AUD=AU$ CAD=C$ FJD=FJ$ JPY=JP¥ PHP=PHP SBD=SI$ THB=฿ USD=US$ XPF=XPF ZWG=ZiG\n" +
	"da|Danish|#\u00a0¤|,|.|1|3|#\u00a0%|AUD=AU$ DKK=kr. JPY=JP¥ PHP=PHP THB=฿ USD=US$\n" +
	"sv|Swedish|#\u00a0¤|,|\u00a0|1|3|#\u00a0%|AUD=AUD BBD=Bds$ BMD=BM$ BRL=BR$ BSD=BS$ BZD=BZ$ CNY=CNY DKK=Dkr DOP=RD$ EGP=EG£ GBP=GBP HKD=HKD INR=INR ISK=Ikr JMD=JM$ JPY=JPY KRW=KRW NOK=Nkr NZD=NZD PHP=PHP SEK=kr TWD=TWD USD=US$ VND=VND XCG=XCG\n" +
	"nb|Norwegian Bokmål|#\u00a0¤|,|\u00a0|1|3|#\u00a0%|AUD=AUD BRL=BRL CAD=CAD CNY=CNY HKD=HKD ILS=ILS INR=INR JPY=JPY KRW=KRW MXN=MXN NOK=kr NZD=NZD PHP=PHP TWD=TWD USD=USD VND=VND XAF=XAF XCD=XCD XPF=XPF\n" +
	"fi|Finnish|#\u00a0¤|,|\u00a0|1|3|#\u00a0%|AUD=AUD BRL=BRL CAD=CAD CNY=CNY HKD=HKD ILS=ILS INR=INR KRW=KRW MXN=MXN NZD=NZD PHP=PHP TWD=TWD VND=VND XCD=XCD XPF=XPF\n" +
	"is|Icelandic|#\u00a0¤|,|.|1|3|#%|AUD=AUD BRL=BRL CAD=CAD EUR=EUR GBP=GBP INR=INR ISK=kr. JPY=JP¥ KRW=KRW MXN=MXN NZD=NZD PHP=PHP TWD=TWD USD=USD VND=VND XCG=XCG\n" +
	"et|Estonian|#\u00a0¤|,|\u00a0|2|3|#%|AUD=AU$ PHP=PHP THB=฿\n" +
	"lv|Latvian|#\u00a0¤|,|\u00a0|2|3|#%|AUD=AU$ PHP=PHP THB=฿\n" +
	"lt|Lithuanian|#\u00a0¤|,|\u00a0|1|3|#\u00a0%|AUD=AUD BRL=BRL CAD=CAD CNY=CNY GBP=GBP HKD=HKD ILS=ILS INR=INR JPY=JPY KRW=KRW MXN=MXN NZD=NZD PHP=PHP TWD=TWD USD=USD VND=VND XAF=XAF XCD=XCD XOF=XOF XPF=XPF\n" +
	"pl|Polish|#\u00a0¤|,|\u00a0|2|3|#%|AUD=AUD CAD=CAD CNY=CNY GBP=GBP HKD=HKD ILS=ILS INR=INR JPY=JPY KRW=KRW MXN=MXN NZD=NZD PHP=PHP PLN=zł TWD=TWD USD=USD VND=VND XCG=XCG\n" +
	"cs|Czech|#\u00a0¤|,|\u00a0|1|3|#\u00a0%|AUD=AU$ CZK=Kč ILS=ILS INR=INR JPY=JP¥ PHP=PHP USD=US$ VND=VND\n" +
	"sk|Slovak|#\u00a0¤|,|\u00a0|1|3|#\u00a0%|AUD=AUD BRL=BRL CAD=CAD CNY=CNY GBP=GBP HKD=HKD ILS=NIS INR=INR JPY=JPY KRW=KRW NZD=NZD PHP=PHP TWD=TWD USD=USD VND=VND XCG=Cg\n" +
	"hu|Hungarian|#\u00a0¤|,|\u00a0|2|3|#%|AUD=AUD BRL=BRL CAD=CAD CNY=CNY EUR=EUR GBP=GBP HKD=HKD HUF=Ft ILS=ILS INR=INR KRW=KRW MXN=MXN NZD=NZD PHP=PHP TWD=TWD USD=USD VND=VND XCD=XCD\n" +
	"sl|Slovenian|#\u00a0¤|,|.|2|3|#\u00a0%|AUD=AUD BRL=BRL CAD=CAD GBP=GBP MXN=MXN NZD=NZD PHP=PHP TWD=TWD XCD=XCD\n" +
	"hr|Croatian|#\u00a0¤|,|.|1|3|#\u00a0%|AUD=AUD BRL=BRL CAD=CAD CNY=CNY GBP=GBP HKD=HKD HRK=kn ILS=ILS INR=INR JPY=JPY KRW=KRW MXN=MXN NZD=NZD PHP=PHP TWD=TWD USD=USD VND=VND XCD=XCD XPF=XPF\n" +
	"ro|Romanian|#\u00a0¤|,|.|1|3|#\u00a0%|AUD=AUD BRL=BRL CAD=CAD CNY=CNY EUR=EUR GBP=GBP HKD=HKD ILS=ILS INR=INR JPY=JPY KRW=KRW MXN=MXN NZD=NZD PHP=PHP TWD=TWD USD=USD VND=VND XCD=XCD\n" +
	"bg|Bulgarian|#\u00a0¤|,|\u00a0|2|3|#%|AUD=AUD BGN=лв. BRL=BRL CAD=CAD CNY=CNY GBP=GBP HKD=HKD ILS=ILS INR=INR JPY=JPY KRW=KRW MXN=MXN NZD=NZD PHP=PHP TWD=TWD USD=щ.д. VND=VND XCD=XCD\n" +
	"sr|Serbian|#\u00a0¤|,|.|1|3|#%|AUD=AUD BAM=КМ KRW=KRW NZD=NZD PHP=PHP USD=US$ VND=VND\n" +
	"el|Greek|#\u00a0¤|,|.|1|3|#%|JPY=JP¥ PHP=PHP THB=฿\n" +
	"tr|Turkish|¤#|,|.|1|3|%#|AUD=AU$ PHP=PHP THB=฿ TRY=₺\n" +
	"uk|Ukrainian|#\u00a0¤|,|\u00a0|1|3|#%|AUD=AUD BRL=BRL CAD=CAD CNY=CNY EUR=EUR GBP=GBP HKD=HKD ILS=ILS INR=INR KRW=KRW MXN=MXN NZD=NZD PHP=PHP TWD=TWD UAH=₴ USD=USD VND=VND XCD=XCD\n" +
	"ru|Russian|#\u00a0¤|,|\u00a0|1|3|#\u00a0%|PHP=PHP RUB=₽ THB=฿ TMT=ТМТ UAH=₴ XCG=Cg\n" +
	"he|Hebrew|\u200f#\u00a0\u200f¤|.|,|1|3|#%|PHP=PHP THB=฿\n" +
	"ar-AE|Arabic (United Arab Emirates)|\u200f#\u00a0¤|.|,|1|3|#\u200e%\u200e|AED=د.إ. AUD=AU$ BHD=د.ب. DZD=د.ج. EGP=ج.م. GBP=UK£ IQD=د.ع. IRR=ر.إ. JOD=د.أ. JPY=JP¥ KWD=د.ك. LBP=ل.ل. LYD=د.ل. MAD=د.م. MRU=أ.م. OMR=ر.ع. PHP=PHP QAR=ر.ق. SAR=ر.س. SDG=ج.س. SYP=ل.س. THB=฿ TND=د.ت. USD=US$ YER=ر.ي.\n" +
	"hi|Hindi|¤#|.|,|1|2|#%|JPY=JP¥ PHP=PHP THB=฿\n" +
	"th|Thai|¤#|.|,|1|3|#%|AUD=AU$ PHP=PHP THB=฿ USD=US$\n" +
	"vi|Vietnamese|#\u00a0¤|,|.|1|3|#%|AUD=AU$ PHP=PHP THB=฿ USD=US$\n" +
	"id|Indonesian|¤#|,|.|1|3|#%|AUD=AU$ IDR=Rp INR=Rs JPY=JP¥ PHP=PHP THB=฿ USD=US$\n" +
	"ms|Malay|¤#|.|,|1|3|#%|CAD=CAD JPY=JP¥ MXN=MXN MYR=RM PHP=PHP USD=USD\n" +
	"ja|Japanese|¤#|.|,|1|3|#%|CNY=元 PHP=PHP XCG=Cg\n" +
	"ko|Korean|¤#|.|,|1|3|#%|AUD=AU$ JPY=JP¥ PHP=PHP USD=US$\n" +
	"zh|Chinese|¤#|.|,|1|3|#%|AUD=AU$ CNY=¥ JPY=JP¥ PHP=PHP USD=US$\n" +
	"zh-TW|Chinese (Taiwan)|¤#|.|,|1|3|#%|AUD=AU$ PHP=PHP TWD=$ USD=US$\n" +
	"zh-HK|Chinese (Hong Kong)|¤#|.|,|1|3|#%|AUD=AU$ PHP=PHP USD=US$\n"
