// Made by cmd/gen/forms.mjs from the CLDR; not to be changed here.

package offer

// forms is a line for each language: its code and its name in English; how money is written, with
// the sign at ¤ and the amount at #; what is between units and decimals, and between thousands; how
// many digits are before the first of these at least; how many are between the further ones; how a
// percentage is written; and the signs that are others than in English.
const forms = `
en|English|¤#|.|,|1|3|#%|
en-GB|English (United Kingdom)|¤#|.|,|1|3|#%|JPY=JP¥ USD=US$
en-AU|English (Australia)|¤#|.|,|1|3|#%|AUD=$ BRL=BRL CAD=CAD CNY=CNY EUR=EUR GBP=GBP HKD=HKD ILS=ILS INR=INR JPY=JPY KRW=KRW MXN=MXN NZD=NZD PHP=PHP SCR=Rs TWD=TWD USD=USD VND=VND XAF=XAF XCD=XCD XOF=XOF XPF=CFP
en-CA|English (Canada)|¤#|.|,|1|3|#%|CAD=$ JPY=JP¥ USD=US$ XCG=Cg
en-IE|English (Ireland)|¤#|.|,|1|3|#%|JPY=JP¥ USD=US$
en-IN|English (India)|¤#|.|,|1|2|#%|JPY=JP¥
en-NZ|English (New Zealand)|¤#|.|,|1|3|#%|JPY=JP¥ NZD=$ USD=US$
en-ZA|English (South Africa)|¤#|,| |1|3|#%|JPY=JP¥ USD=US$ ZAR=R
de|German|# ¤|,|.|1|3|# %|AUD=AU$ PHP=PHP THB=฿
de-AT|German (Austria)|¤ #|,|.|1|3|# %|AUD=AU$ PHP=PHP THB=฿
de-CH|German (Switzerland)|¤ #|.|’|1|3|#%|AUD=AU$ EUR=EUR PHP=PHP THB=฿
fr|French|# ¤|,| |1|3|# %|ARS=$AR AUD=$AU BMD=$BM BND=$BN BZD=$BZ CAD=$CA CLP=$CL CNY=CNY COP=$CO FJD=$FJ FKP=£FK GBP=£GB GIP=£GI HKD=HKD JPY=JPY LBP=£LB MXN=$MX NAD=$NA NZD=$NZ PHP=PHP SBD=$SB SGD=$SG SRD=$SR TTD=$TT TWD=TWD USD=$US UYU=$UY WST=$WS XCD=XCD XPF=FCFP
fr-BE|French (Belgium)|# ¤|,| |1|3|# %|ARS=$AR AUD=$AU BMD=$BM BND=$BN BZD=$BZ CAD=$CA CLP=$CL CNY=CNY COP=$CO FJD=$FJ FKP=£FK GBP=£GB GIP=£GI HKD=HKD JPY=JPY LBP=£LB MXN=$MX NAD=$NA NZD=$NZ PHP=PHP SBD=$SB SGD=$SG SRD=$SR TTD=$TT TWD=TWD USD=$US UYU=$UY WST=$WS XCD=XCD XPF=FCFP
fr-CA|French (Canada)|# ¤|,| |1|3|# %|AUD=$ AU CAD=$ HKD=$ HK ILS=ILS INR=INR KRW=KRW MXN=MXN NZD=$ NZ PHP=PHP SGD=$ SG TWD=TWD USD=$ US VND=VND XAF=XAF XCD=XCD XOF=XOF XPF=XPF
fr-CH|French (Switzerland)|# ¤|.| |1|3|#%|ARS=$AR AUD=$AU BMD=$BM BND=$BN BZD=$BZ CAD=$CA CLP=$CL CNY=CNY COP=$CO FJD=$FJ FKP=£FK GBP=£GB GIP=£GI HKD=HKD JPY=JPY LBP=£LB MXN=$MX NAD=$NA NZD=$NZ PHP=PHP SBD=$SB SGD=$SG SRD=$SR TTD=$TT TWD=TWD USD=$US UYU=$UY WST=$WS XCD=XCD XPF=FCFP
it|Italian|# ¤|,|.|2|3|#%|BRL=BRL HKD=HKD INR=INR JPY=JPY KRW=KRW MXN=MXN THB=฿ TWD=TWD USD=USD VND=VND XCG=Cf
it-CH|Italian (Switzerland)|¤ #|.|’|2|3|#%|BRL=BRL HKD=HKD INR=INR JPY=JPY KRW=KRW MXN=MXN THB=฿ TWD=TWD USD=USD VND=VND XCG=Cf
es|Spanish|# ¤|,|.|2|3|# %|AUD=AUD BRL=BRL CAD=CAD CNY=CNY GBP=GBP HKD=HKD ILS=ILS INR=INR JPY=JPY KRW=KRW MXN=MXN NZD=NZD PHP=PHP THB=฿ TWD=TWD USD=US$ XAF=XAF XCD=XCD XOF=XOF
es-MX|Spanish (Mexico)|¤#|.|,|1|3|#%|AUD=AUD BRL=BRL CAD=CAD CNY=CNY EUR=EUR GBP=GBP HKD=HKD ILS=ILS INR=INR JPY=JPY KRW=KRW MRU=UM MXN=$ NZD=NZD PHP=PHP TWD=TWD USD=USD VND=VND XAF=XAF XCD=XCD XOF=XOF
es-AR|Spanish (Argentina)|¤ #|,|.|1|3|#%|ARS=$ AUD=AUD BRL=BRL CAD=CAD CNY=CNY EUR=EUR GBP=GBP HKD=HKD ILS=ILS INR=INR JPY=JPY KRW=KRW MXN=MXN NZD=NZD PHP=PHP TWD=TWD USD=US$ VND=VND XAF=XAF XCD=XCD XOF=XOF
pt|Portuguese|¤ #|,|.|1|3|#%|AUD=AU$ JPY=JP¥ PHP=PHP THB=฿ USD=US$
pt-PT|Portuguese (Portugal)|# ¤|,| |2|3|#%|AUD=AU$ JPY=JP¥ PHP=PHP THB=฿ USD=US$
nl|Dutch|¤ #|,|.|1|3|#%|AUD=AU$ CAD=C$ FJD=FJ$ JPY=JP¥ PHP=PHP SBD=SI$ THB=฿ USD=US$ XPF=XPF ZWG=ZiG
nl-BE|Dutch (Belgium)|¤ #|,|.|1|3|#%|AUD=AU$ CAD=C$ FJD=FJ$ JPY=JP¥ PHP=PHP SBD=SI$ THB=฿ USD=US$ XPF=XPF ZWG=ZiG
da|Danish|# ¤|,|.|1|3|# %|AUD=AU$ DKK=kr. JPY=JP¥ PHP=PHP THB=฿ USD=US$
sv|Swedish|# ¤|,| |1|3|# %|AUD=AUD BBD=Bds$ BMD=BM$ BRL=BR$ BSD=BS$ BZD=BZ$ CNY=CNY DKK=Dkr DOP=RD$ EGP=EG£ GBP=GBP HKD=HKD INR=INR ISK=Ikr JMD=JM$ JPY=JPY KRW=KRW NOK=Nkr NZD=NZD PHP=PHP SEK=kr TWD=TWD USD=US$ VND=VND XCG=XCG
nb|Norwegian Bokmål|# ¤|,| |1|3|# %|AUD=AUD BRL=BRL CAD=CAD CNY=CNY HKD=HKD ILS=ILS INR=INR JPY=JPY KRW=KRW MXN=MXN NOK=kr NZD=NZD PHP=PHP TWD=TWD USD=USD VND=VND XAF=XAF XCD=XCD XPF=XPF
fi|Finnish|# ¤|,| |1|3|# %|AUD=AUD BRL=BRL CAD=CAD CNY=CNY HKD=HKD ILS=ILS INR=INR KRW=KRW MXN=MXN NZD=NZD PHP=PHP TWD=TWD VND=VND XCD=XCD XPF=XPF
is|Icelandic|# ¤|,|.|1|3|#%|AUD=AUD BRL=BRL CAD=CAD EUR=EUR GBP=GBP INR=INR ISK=kr. JPY=JP¥ KRW=KRW MXN=MXN NZD=NZD PHP=PHP TWD=TWD USD=USD VND=VND XCG=XCG
et|Estonian|# ¤|,| |2|3|#%|AUD=AU$ PHP=PHP THB=฿
lv|Latvian|# ¤|,| |2|3|#%|AUD=AU$ PHP=PHP THB=฿
lt|Lithuanian|# ¤|,| |1|3|# %|AUD=AUD BRL=BRL CAD=CAD CNY=CNY GBP=GBP HKD=HKD ILS=ILS INR=INR JPY=JPY KRW=KRW MXN=MXN NZD=NZD PHP=PHP TWD=TWD USD=USD VND=VND XAF=XAF XCD=XCD XOF=XOF XPF=XPF
pl|Polish|# ¤|,| |2|3|#%|AUD=AUD CAD=CAD CNY=CNY GBP=GBP HKD=HKD ILS=ILS INR=INR JPY=JPY KRW=KRW MXN=MXN NZD=NZD PHP=PHP PLN=zł TWD=TWD USD=USD VND=VND XCG=XCG
cs|Czech|# ¤|,| |1|3|# %|AUD=AU$ CZK=Kč ILS=ILS INR=INR JPY=JP¥ PHP=PHP USD=US$ VND=VND
sk|Slovak|# ¤|,| |1|3|# %|AUD=AUD BRL=BRL CAD=CAD CNY=CNY GBP=GBP HKD=HKD ILS=NIS INR=INR JPY=JPY KRW=KRW NZD=NZD PHP=PHP TWD=TWD USD=USD VND=VND XCG=Cg
hu|Hungarian|# ¤|,| |2|3|#%|AUD=AUD BRL=BRL CAD=CAD CNY=CNY EUR=EUR GBP=GBP HKD=HKD HUF=Ft ILS=ILS INR=INR KRW=KRW MXN=MXN NZD=NZD PHP=PHP TWD=TWD USD=USD VND=VND XCD=XCD
sl|Slovenian|# ¤|,|.|2|3|# %|AUD=AUD BRL=BRL CAD=CAD GBP=GBP MXN=MXN NZD=NZD PHP=PHP TWD=TWD XCD=XCD
hr|Croatian|# ¤|,|.|1|3|# %|AUD=AUD BRL=BRL CAD=CAD CNY=CNY GBP=GBP HKD=HKD HRK=kn ILS=ILS INR=INR JPY=JPY KRW=KRW MXN=MXN NZD=NZD PHP=PHP TWD=TWD USD=USD VND=VND XCD=XCD XPF=XPF
ro|Romanian|# ¤|,|.|1|3|# %|AUD=AUD BRL=BRL CAD=CAD CNY=CNY EUR=EUR GBP=GBP HKD=HKD ILS=ILS INR=INR JPY=JPY KRW=KRW MXN=MXN NZD=NZD PHP=PHP TWD=TWD USD=USD VND=VND XCD=XCD
bg|Bulgarian|# ¤|,| |2|3|#%|AUD=AUD BGN=лв. BRL=BRL CAD=CAD CNY=CNY GBP=GBP HKD=HKD ILS=ILS INR=INR JPY=JPY KRW=KRW MXN=MXN NZD=NZD PHP=PHP TWD=TWD USD=щ.д. VND=VND XCD=XCD
sr|Serbian|# ¤|,|.|1|3|#%|AUD=AUD BAM=КМ KRW=KRW NZD=NZD PHP=PHP USD=US$ VND=VND
el|Greek|# ¤|,|.|1|3|#%|JPY=JP¥ PHP=PHP THB=฿
tr|Turkish|¤#|,|.|1|3|%#|AUD=AU$ PHP=PHP THB=฿ TRY=₺
uk|Ukrainian|# ¤|,| |1|3|#%|AUD=AUD BRL=BRL CAD=CAD CNY=CNY EUR=EUR GBP=GBP HKD=HKD ILS=ILS INR=INR KRW=KRW MXN=MXN NZD=NZD PHP=PHP TWD=TWD UAH=₴ USD=USD VND=VND XCD=XCD
ru|Russian|# ¤|,| |1|3|# %|PHP=PHP RUB=₽ THB=฿ TMT=ТМТ UAH=₴ XCG=Cg
he|Hebrew|‏# ‏¤|.|,|1|3|#%|PHP=PHP THB=฿
ar-AE|Arabic (United Arab Emirates)|‏# ¤|.|,|1|3|#‎%‎|AED=د.إ. AUD=AU$ BHD=د.ب. DZD=د.ج. EGP=ج.م. GBP=UK£ IQD=د.ع. IRR=ر.إ. JOD=د.أ. JPY=JP¥ KWD=د.ك. LBP=ل.ل. LYD=د.ل. MAD=د.م. MRU=أ.م. OMR=ر.ع. PHP=PHP QAR=ر.ق. SAR=ر.س. SDG=ج.س. SYP=ل.س. THB=฿ TND=د.ت. USD=US$ YER=ر.ي.
hi|Hindi|¤#|.|,|1|2|#%|JPY=JP¥ PHP=PHP THB=฿
th|Thai|¤#|.|,|1|3|#%|AUD=AU$ PHP=PHP THB=฿ USD=US$
vi|Vietnamese|# ¤|,|.|1|3|#%|AUD=AU$ PHP=PHP THB=฿ USD=US$
id|Indonesian|¤#|,|.|1|3|#%|AUD=AU$ IDR=Rp INR=Rs JPY=JP¥ PHP=PHP THB=฿ USD=US$
ms|Malay|¤#|.|,|1|3|#%|CAD=CAD JPY=JP¥ MXN=MXN MYR=RM PHP=PHP USD=USD
ja|Japanese|¤#|.|,|1|3|#%|CNY=元 PHP=PHP XCG=Cg
ko|Korean|¤#|.|,|1|3|#%|AUD=AU$ JPY=JP¥ PHP=PHP USD=US$
zh|Chinese|¤#|.|,|1|3|#%|AUD=AU$ CNY=¥ JPY=JP¥ PHP=PHP USD=US$
zh-TW|Chinese (Taiwan)|¤#|.|,|1|3|#%|AUD=AU$ PHP=PHP TWD=$ USD=US$
zh-HK|Chinese (Hong Kong)|¤#|.|,|1|3|#%|AUD=AU$ PHP=PHP USD=US$
`
