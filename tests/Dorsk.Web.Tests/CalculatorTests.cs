using System.Net;
using AngleSharp.Html.Parser;
using Dorsk.Core.People;
using Dorsk.Web.Workbench;

namespace Dorsk.Web.Tests;

/// <summary>Every calculator with figures that were worked out by hand, through its page: what is typed, what it says, what it refuses.</summary>
public class CalculatorTests(SmallFarm farm) : IClassFixture<SmallFarm>
{
    public static TheoryData<string, string, string[]> Right =>
        new()
        {
            // 308 fish displace 772 mL: 2.506 mL each, 1,000 of them 2,506 mL.
            {
                "count",
                "way=volume&counts=102+96+110&amounts=255+238+279&volume=10&within=5&wanted=1000",
                ["For 1,000 fish", "2,506"]
            },
            {
                "road",
                "by=bags&species=silver_perch&weight=1&fish=4000&water=200+L&share=28&temp=24&alkalinity=80&hours=8&leave=05:00&pondtemp=20",
                ["warmer than the pond"]
            },
            // Saturation 8.05 at 60 m; 8.05 − 5.05 / 1.60794 = 4.91.
            { "fall", "flow=20&height=0.6&shape=steps&clean=pond&temp=26&do=3", ["4.9"] },
            // 0.3633 kW for 720 h; by air 0.0409 kW.
            { "pump", "flow=30&head=2&share=45&hours=24&low=0.15&price=0.3", ["262 kWh", "29 kWh", "11 %"] },
            { "pump", "flow=30&head=2&share=45&hours=24&low=0.5&price=0.3", ["does not lift so high"] },
            // 5,000 m³ in 10 days and 4,000 m² losing 10 mm: 540 m³ to fill, 40 to keep; 20 m³/h are 480.
            {
                "source",
                "species=silver_perch&do=8&ph=7.2&iron=2&flow=20&volume=5000&area=0.4+ha&days=10&lost=10&changed=0",
                ["unfit as it comes", "540", "40", "fills them more slowly", "unfit: iron"]
            },
            {
                "source",
                "species=silver_perch&do=8&ph=7.2&salinity=9&flow=1&volume=5000&area=0.4+ha&days=10&lost=10&changed=0",
                ["too salt", "does not keep the ponds full"]
            },
            // 2:1 at 1.5 m: banks run in 3 m, bottom 54 by 24; (1,800 + 4 × 57 × 27 + 1,296) × 1.5 / 6 = 2,313 m³.
            {
                "bank",
                "length=60&width=30&depth=1.5&soil=clay%2C+built+by+machine&flood=0.4",
                ["54.00", "24.00", "2,313", "0.90", "highest flood"]
            },
            // Salinity is changed like anything dissolved: half of the water from 12 to 6.
            {
                "exchange",
                "now=12+ppt&inflow=0&wanted=6+ppt&volume=1000&times=1&flow=50&power=3&price=0.3",
                ["50 %", "500"]
            },
            // 10 to 45 NTU: 35 / 0.8 × 20 m³ = 875 g; from 90 to 45 with water of 0: half.
            { "clay", "volume=20&now=10&low=30&high=60&jar=8&new=2", ["875", "under the band"] },
            { "clay", "volume=20&now=90&low=30&high=60&jar=8&new=0", ["50 %", "gills clog"] },
            { "air-choice", "lack=floor&area=0.5+ha&depth=1.4&power=yes&salt=fresh", ["Slow mixing by day"] },
            { "air-choice", "lack=dawn&area=0.05+ha&depth=1.2&power=no&salt=fresh", ["tractor paddle"] },
            // 25 °C, fresh, sea level 8.26 mg/L (Benson & Krause); 6.2 is 75 % of it.
            { "saturation", "temp=25&salinity=0&altitude=0&do=6.2", ["8.26", "75 % of it", "usual range"] },
            // pH 8, 25 °C: 5.38 % of 1 mg/L.
            { "ammonia", "tan=1&basis=N&ph=8&temp=25&salinity=0", ["0.054", "5.4 %"] },
            { "ammonia", "tan=1&basis=NH4&ph=8&temp=25&salinity=0", ["0.042"] },
            // (50 − 20) × 1.679 × 1000 g = 50.4 kg: 50.4 g/m³ is over one step of 50, so two days.
            {
                "alkalinity",
                "product=NaHCO3&purity=100&now=20&wanted=50&volume=1000&bag=25&fish=true",
                ["50.4", "on 2 days"]
            },
            {
                "alkalinity",
                "product=CaO&purity=100&now=20&wanted=50&volume=1000&bag=25",
                ["16.8", "all at once", "never over fish"]
            },
            { "alkalinity", "product=NaHCO3&purity=100&now=60&wanted=50&volume=1000&bag=25", ["there already"] },
            // 10 × 4 − 10 = 30 mg/L chloride; 30 / 0.6066 = 49.5 g/m³.
            {
                "salt",
                "nitrite=4&basis=N&chloride=10&ratio=10&salt=NaCl&purity=100&volume=1000",
                ["49.5", "30", "all at once"]
            },
            // 1,000 m³ from 2 to 10 ppt: 8,000 kg, at 98 % 8,163; perch bear 5 for long.
            {
                "salinity",
                "species=whiteleg_shrimp&weight=5&volume=1000&now=2&wanted=10&purity=98&source=0",
                ["8,163", "bear 10.0"]
            },
            {
                "salinity",
                "species=silver_perch&weight=50&volume=1000&now=2&wanted=10&purity=98&source=0",
                ["8,163", "do not bear 10.0"]
            },
            // From 12 to 8 with fresh water: a third exchanged, or half as much again added.
            {
                "salinity",
                "species=nile_tilapia&weight=50&volume=1000&now=12&wanted=8&purity=98&source=0",
                ["33 %, 333", "500"]
            },
            // 40 × 25 m, walls, 1.4 m deep: 10 cm are 100 m³ of 1,400.
            { "level", "length=40&width=25&slope=0&depth=1.4&from=1.4&by=10", ["100", "7.1 %", "1,300"] },
            // Fingerlings bear 5 °C an hour; 6 °C colder: 1,000 × 5 / 6 = 833 m³/h; 30 % take 0.357 volumes.
            {
                "refill",
                "species=silver_perch&weight=1&volume=1000&share=30&temp=26&ph=8&sal=0&tempn=20&phn=8&saln=0",
                ["temperature decides", "357"]
            },
            {
                "refill",
                "species=silver_perch&weight=300&volume=1000&share=30&temp=26&ph=8&sal=0&tempn=26&phn=8&saln=0",
                ["any: both waters agree"]
            },
            // Seven times a fifth in a fortnight: 1,400 m³, 0.8^7 = 21 % left; 28 h at 3 kW.
            {
                "exchange-days",
                "volume=1000&share=20&every=2&days=14&flow=50&power=3&price=0.3",
                ["200", "1,400", "21.0 %", "28.0 h, 84 kWh, 25"]
            },
            // Mean 1.4, half range 1: over 1.9 for 6.21 / π × acos 0.5 = 2.07 h each way.
            {
                "tide",
                "high=06:00&highm=2.4&lowm=0.4&neaphigh=1.6&neaplow=1.0&sill=1.9&wanted=2484&gate=300&flow=50&power=3&price=0.3",
                ["03:55 to 08:04", "1,242", "never over the sill: pump", "49.7 h"]
            },
            { "carbon", "tan=2&wanted=0.5&source=0.3&volume=1000&do=6", ["30.0", "50.0", "7.1"] },
            { "carbon", "tan=2&wanted=0.5&source=0.3&volume=1000&do=3.9", ["Act now", "no carbon now"] },
            // 750 m³ of 28 and 250 m³ of 20 °C.
            {
                "mixing",
                "v1=750&t1=28&s1=0&a1=80&n1=1&v2=250&t2=20&s2=4&a2=120&n2=0",
                ["26.0", "1.0", "90", "0.75", "7.8\u2009mg/L before, 8.0\u2009mg/L after"]
            },
            {
                "mixing",
                "v1=500&t1=28&s1=0&a1=80&n1=1&v2=500&t2=20&s2=0&a2=80&n2=0",
                ["24.0", "Watch", "more than fry bear"]
            },
            // Alkalinity 100 at pH 7 and 25 °C: 2 mmol/L × 10^(6.35 − 7) × 44 = 19.7 mg/L.
            { "co2", "ph=7&alkalinity=100&temp=25&salinity=0&left=1", ["19.7", "8.3"] },
            // 2 kW at 20 °C in 1,000 m³: the rate is SAE × 2 × α / 9.09; the settled level and the hours follow from it.
            {
                "air",
                "kind=propeller-aspirator&kw=2&volume=1000&temp=27&now=2&wanted=4&loss=0.1&salinity=0&altitude=0",
                ["hours", "kg of oxygen an hour"]
            },
            {
                "air",
                "kind=propeller-aspirator&kw=0.2&volume=10000&temp=27&now=2&wanted=4&loss=1&salinity=0&altitude=0",
                ["never with these", "do not carry it"]
            },
            // 0.4 ha × 4 = 1.6 kW; 8,000 m³ × 0.3 = 2.4 kW: the water decides; 2.4 / 0.85 × 10 × 30 = 847 kWh, at 0.30 254.
            {
                "power",
                "area=0.4&volume=8000&kwha=4&wm3=0.3&have=2.2&hours=10&price=0.3",
                ["2.40", "1.60", "847", "254", "The water decides", "short"]
            },
            {
                "power",
                "area=0.4&volume=5000&kwha=4&wm3=0.3&have=2.2&hours=10&price=0.3",
                ["The surface decides", "enough by both rules"]
            },
            // 1450 × 90 / 200 = 653 turns; 1.125³ = 1.424: 4 A become 5.7, over the plate's 5. Pushing: 1.125, 4.5 A.
            {
                "pulley",
                "kind=throws&rpm=1450&m1=80&p1=200&m2=90&p2=200&amps=4&rated=5",
                ["5.7", "652", "113 %", "142 %", "motor would burn"]
            },
            { "pulley", "kind=pushes&rpm=1450&m1=80&p1=200&m2=90&p2=200&amps=4&rated=5", ["4.5", "113 %"] },
            // 2 × 50 L × 145 bar × 1.313 g = 19.0 kg.
            {
                "bottles",
                "species=silver_perch&kg=1000&each=300&temp=26&bottles=2&litres=50&bar=150&share=40",
                ["19.0", "hours", "Bottles for a night"]
            },
            // Halving in two parts: 29.3 % each, 586 m³; flowing through 693 m³ in 13.9 h.
            {
                "exchange",
                "now=10&inflow=0&wanted=5&volume=1000&times=2&flow=50&power=3&price=0.3",
                ["29 %", "586", "693", "13.9 h", "0.05 times an hour, once in 20.0 h"]
            },
            { "volume", "length=40&width=25&slope=2&depth=1.5&level=1.5", ["1,226", "0.100"] },
            // 3-4-5 triangles: 12 m² of 3 × 4 m; paced, without the diagonal, at most 40 × 25 m.
            { "size", "means=tape&pace=&s1=4&s2=3&s3=4&s4=3&diagonal=5", ["12\u2009m²"] },
            { "size", "means=paces&pace=1&s1=40&s2=25&s3=40&s4=25&diagonal=", ["983\u2009m²", "lower figure"] },
            // 40 × 20 m floor, slope 2, 1.5 m, one pipe of 200 mm: 7.6 h (reference vector).
            {
                "drain",
                "length=46&width=26&slope=2&depth=1.5&from=1.5&to=0&pipe=20&pipes=1&drop=0&cd=0.6",
                ["7.6 h", "1,488"]
            },
            // (50 − 20) mm in 4 days.
            {
                "leak",
                "first=0.60&second=0.55&days=4&rain=0&evaporation=20&area=0.4&cost=0.02",
                ["7.5\u2009mm a day", "Watch", "30"]
            },
            {
                "leak",
                "first=0.60&second=0.55&days=4&rain=0&evaporation=&warm=30&cool=18&area=0.4&cost=0.02",
                ["may be out by a quarter", "mm a day"]
            },
            { "fertiliser", "area=1&n=8&p=8&pbasis=P2O5&an=18&ap=46&bn=46&secchi=&temp=24", ["17.4", "10.6"] },
            { "fertiliser", "area=1&n=8&p=8&pbasis=P2O5&an=18&ap=46&bn=46&secchi=25&temp=24", ["17.4", "No dose now"] },
            {
                "fertiliser",
                "area=1&n=8&p=8&pbasis=P2O5&an=18&ap=46&bn=46&secchi=40&temp=24&dawns=6.5+5.9+5.6+5.4&watch=4",
                ["No dose now", "fell 3 mornings"]
            },
            // 3 m round, 1 m of water, 0.3 m over it: 7.07 m³; a sheet of 3 + 2 × 1.8 m = 43.6 m², a wall of 12.3 m², a base of 12.6 m².
            {
                "quotation",
                "kind=round&length=3&width=2&depth=1&slope=2&habit=keeps&edge=&buys=farm&spare=10&earth=4&liner=6&wall=20&base=10&concrete=260&grass=1&fittings=100&fence=50&hours=10&hour=30&trips=2&trip=40",
                ["1,278", "44\u2009m²", "12\u2009m²", "13\u2009m²", "782, bought by the farm", "7.07"]
            },
            {
                "quotation",
                "kind=lined&length=20&width=15&depth=1.5&slope=2&habit=leaps&edge=0.3&buys=builder&spare=0&earth=4&liner=6&wall=20&base=10&concrete=260&grass=1&fittings=100&fence=50&hours=10&hour=30&trips=2&trip=40",
                ["they leap", "is low", "the builder"]
            },
            // The parts sum to 1,278; 1,400 are 122 more. 7.07 m³ hold 212 kg of perch at 30 kg/m³, 424 of 500 g.
            {
                "quotation",
                "kind=round&length=3&width=2&depth=1&slope=2&habit=keeps&edge=&buys=farm&spare=10&earth=4&liner=6&wall=20&base=10&concrete=260&grass=1&fittings=100&fence=50&hours=10&hour=30&trips=2&trip=40&stated=1400&fish=silver_perch",
                ["states 1,400", "122 more; ask what for", "212.1", "530 of 400"]
            },
            {
                "quotation",
                "kind=round&length=3&width=2&depth=1&slope=2&habit=keeps&edge=&buys=farm&spare=10&earth=4&liner=6&wall=20&base=10&concrete=260&grass=1&fittings=100&fence=50&hours=10&hour=30&trips=2&trip=40&stated=1280",
                ["agrees with its parts"]
            },
            // 6,000 kg in 1.5 harvests on trays of 4 kg/m², four tiers, half the floor aisles: 1,000 m² of water, 500 of floor.
            {
                "room",
                "wanted=6000&harvests=1.5&kind=tray&area=5000&volume=30&tray=4&depth=0.2&tiers=4&other=50",
                ["500\u2009m²", "200\u2009m³", "Without stacking", "tonne each cubic metre"]
            },
            { "split", "area=2&depth=1.3&share=18&hours=1", ["0.36\u2009ha", "1.64\u2009ha", "4,680", "43.3"] },
            {
                "mover",
                "rpm=1450&first=20&second=30&radius=1.5&width=3&dip=0.8&volume=26000",
                ["2.42 turns", "21.6 h", "without beating"]
            },
            {
                "indoor",
                "length=20&width=10&height=3.5&wall=foam50&water=80&new=5&newc=16&inside=27&outside=2&mean=12&changes=0.5&price=0.3&frame=not",
                ["16.7", "5.6", "frame against rust and rot", "Act now"]
            },
            {
                "ph-exchange",
                "volume=1000&share=20&every=2&stop=9&ph1=9.8&alk1=60&temp1=28&sal1=0&ph2=7.2&alk2=90&temp2=24&sal2=0",
                ["200\u2009m³", "old water left", "afternoon reading is 9.0"]
            },
            {
                "ph-exchange",
                "volume=1000&share=20&every=2&stop=8&ph1=9.8&alk1=60&temp1=28&sal1=0&ph2=9.5&alk2=90&temp2=24&sal2=0",
                ["not reached", "another source"]
            },
            {
                "rotten-feed",
                "species=silver_perch&weight=50&volume=20&feed=8&protein=40&tan=0.5&temp=27&ph=8.2&sal=0&fish=300&wait=",
                ["Act now", "where the fish wait"]
            },
            { "pool-cover", "minutes=25&open=2&covered=4&hour=25&cover=600&years=5", ["831", "76 h", "38 h", "pays"] },
            {
                "place",
                "body=tank&area=0.2&fish=rainbow_trout&stage=GrowOut",
                ["Shade in summer at every stage", "rainbow trout, grow-out"]
            },
            {
                "place",
                "body=earthen&area=0.2&dry=not+enough",
                ["1 of 15", "Act now", "Not yet", "No plan stands on water that fails"]
            },
            {
                "place",
                "body=earthen&area=3&dry=enough%2C+measured&tested=tested%2C+within+limits&permit=granted",
                ["3 of 15", "gates are open", "divide it"]
            },
            // 308 fish weigh 772 g: 2.506 g each; 12.5 kg are 4,987.
            {
                "count",
                "way=weight&counts=102+96+110&amounts=255+238+279&mass=12.5&volume=&bags=&within=5&earlier=4000",
                ["4,987", "2.51", "Watch", "fish do not multiply"]
            },
            {
                "count",
                "way=bags&counts=480+500+520&amounts=&mass=&volume=&bags=10&within=5&earlier=",
                ["5,000", "more samples"]
            },
            {
                "count",
                "way=volume&counts=200+210&amounts=50+52&mass=&volume=1&bags=&within=5&earlier=",
                ["4,020", "Fish a millilitre"]
            },
            // Mean 12.6 of a net of 7.07 m² that holds half, on 1,000 m²: 3,565.
            { "throws", "caught=14+9+17+11+12&radius=1.5&held=50&area=0.1&mesh=10&depth=", ["3,565", "3.57"] },
            {
                "throws",
                "caught=14&radius=1.5&held=50&area=0.1&mesh=10&depth=15",
                ["one throw cannot tell", "lift the mean"]
            },
            // Exactly 0.02 L³: 25 cm weigh 312.5 g, said as 313; 160 g are 20 cm.
            {
                "length",
                "lengths=10+14+18+22+26&weights=20+54.88+116.64+212.96+351.52&length=25&weight=160",
                ["313", "20.0", "2.00"]
            },
            // 20 fish of a gram a litre: 0.7 × 20 × 2^−0.5 = 9.9 mg of oxygen a litre and hour.
            {
                "road",
                "by=bags&species=silver_perch&weight=1&fish=4000&water=0.2&share=28&temp=20&alkalinity=80&hours=8&leave=05:00",
                ["Steady", "Latest safe arrival", "The trade"]
            },
            {
                "road",
                "by=bags&species=silver_perch&weight=1&fish=24000&water=0.2&share=28&temp=28&alkalinity=80&hours=12&leave=05:00",
                ["Act now", "do not live through 12.0 hours"]
            },
            {
                "road",
                "by=tank&species=channel_catfish&weight=9&fish=20000&water=1&share=28&temp=18&alkalinity=80&hours=8&leave=05:00",
                ["180.0", "0.180", "45,555", "22,777", "Steady"]
            },
            { "converter", "kind=length&value=100+ft", ["30.48", "off by"] },
            // The handy 3.3 ft a metre against 3.2808: 0.6 % too much; 250 gallons a cubic metre against 264.17: 5.4 % short.
            { "converter", "kind=length&value=1+m", ["3.30", "3.2808", "0.6 %"] },
            { "converter", "kind=volume&value=1+m³", ["250.00", "264.1721", "-5.4 %"] },
            // The table's 50 to 150 larvae a square metre over 0.5 m, 500 L: 0.10 to 0.30 a litre.
            {
                "nursery",
                "species=silver_perch&length=40&area=0.1&depth=0.5&survival=60",
                ["0.200", "(0.100 to 0.300", "fish/L", "at their own risk"]
            },
        };

    public static TheoryData<string, string, string, string> Wrong =>
        new()
        {
            { "saturation", "temp=84&salinity=0&altitude=0&do=", "temp", "outside what can be worked with" },
            {
                "alkalinity",
                "product=CaO&purity=100&now=20&wanted=50&volume=1000&bag=25&fish=true",
                "product",
                "never given over fish"
            },
            { "alkalinity", "product=NaHCO3&purity=100&now=20&wanted=50&volume=0&bag=25", "volume", "outside" },
            {
                "air",
                "kind=propeller-aspirator&kw=2&volume=1000&temp=27&now=2&wanted=9&loss=0.1&salinity=0&altitude=0",
                "wanted",
                "Want less"
            },
            {
                "exchange",
                "now=10&inflow=6&wanted=5&volume=1000&times=2&flow=50&power=3&price=0.3",
                "wanted",
                "cannot reach"
            },
            {
                "exchange",
                "now=10&inflow=0&wanted=5&volume=1000&times=2.5&flow=50&power=3&price=0.3",
                "times",
                "whole"
            },
            { "volume", "length=10&width=5&slope=4&depth=1&level=1", "slope", "banks meet" },
            {
                "drain",
                "length=46&width=26&slope=2&depth=1.5&from=1&to=1.2&pipe=20&pipes=1&drop=0&cd=0.6",
                "to",
                "not below"
            },
            { "fertiliser", "area=1&n=8&p=8&pbasis=P2O5&an=0&ap=0&bn=46&secchi=&temp=24", "ap", "neither" },
            {
                "leak",
                "first=0.60&second=0.55&days=4&rain=0&evaporation=&warm=&cool=&area=0.4&cost=0.02",
                "evaporation",
                "what a pan lost"
            },
            {
                "leak",
                "first=0.60&second=0.55&days=4&rain=0&evaporation=&warm=18&cool=30&area=0.4&cost=0.02",
                "cool",
                "above the warmest"
            },
            {
                "fertiliser",
                "area=1&n=8&p=8&pbasis=P2O5&an=18&ap=46&bn=46&secchi=40&temp=24&dawns=6.5+low",
                "dawns",
                "oldest first"
            },
            { "size", "means=tape&pace=&s1=90&s2=10&s3=10&s4=10&diagonal=", "s1", "longer than the other three" },
            {
                "quotation",
                "kind=earthen&length=10&width=5&depth=2&slope=2&habit=keeps&edge=&buys=farm&spare=10&earth=4&liner=6&wall=20&base=10&concrete=260&grass=1&fittings=100&fence=50&hours=10&hour=30&trips=2&trip=40",
                "slope",
                "banks meet"
            },
            { "place", "body=tank&area=0.2&fence=perhaps", "fence", "" },
            {
                "count",
                "way=weight&counts=102+96&amounts=255&mass=12.5&volume=&bags=&within=5&earlier=",
                "amounts",
                "one for each"
            },
            {
                "count",
                "way=bags&counts=102+96&amounts=&mass=&volume=&bags=1&within=5&earlier=",
                "bags",
                "at least so many"
            },
            {
                "length",
                "lengths=10+10+10+10+10&weights=20+21+20+19+20&length=25&weight=160",
                "lengths",
                "short and long ones"
            },
            { "length", "lengths=10+12&weights=20&length=25&weight=160", "weights", "one weight for each fish" },
            { "throws", "caught=14+many&radius=1.5&held=50&area=0.1&mesh=10&depth=", "caught", "whole numbers" },
            {
                "count",
                "way=weight&counts=102+lots&amounts=255+3&mass=12.5&volume=&bags=&within=5&earlier=",
                "counts",
                "whole numbers"
            },
            {
                "road",
                "by=tank&species=walleye&weight=1&fish=100&water=0&share=28&temp=18&alkalinity=80&hours=8&leave=05:00",
                "water",
                "outside"
            },
            {
                "road",
                "by=bags&species=walleye&weight=1&fish=100&water=0.2&share=28&temp=18&alkalinity=80&hours=8&leave=25:00",
                "leave",
                "An hour"
            },
            { "converter", "kind=mass&value=5+furlong", "value", "furlong" },
        };

    [Theory]
    [MemberData(nameof(Right))]
    public async Task Says(string key, string typed, string[] says)
    {
        var visitor = await farm.As(Role.Viewer);
        var page = new HtmlParser().ParseDocument(await visitor.Client.GetStringAsync($"/workbench/{key}?{typed}"));
        var answer = page.QuerySelector(".bench-out")!;
        // Outside the whys: the figures themselves.
        foreach (var card in answer.QuerySelectorAll(".why-card").Where(_ => !says.Contains("never over fish")))
            card.Remove();
        Assert.All(says, s => Assert.Contains(s, answer.TextContent, StringComparison.Ordinal));
        // The part that is fetched while typing says the same.
        var part = new HtmlParser().ParseDocument(
            await visitor.Client.GetStringAsync($"/workbench/{key}?{typed}&handler=Part")
        );
        Assert.Contains(says[0], part.Body!.TextContent, StringComparison.Ordinal);
    }

    [Theory]
    [MemberData(nameof(Wrong))]
    public async Task Refuses_at_the_line_and_keeps_what_was_typed(string key, string typed, string line, string says)
    {
        var visitor = await farm.As(Role.Viewer);
        var page = new HtmlParser().ParseDocument(await visitor.Client.GetStringAsync($"/workbench/{key}?{typed}"));
        Assert.Contains(says, page.QuerySelector($"#w-{line}")!.TextContent, StringComparison.Ordinal);
        Assert.Null(page.QuerySelector(".bench-out .big"));
        foreach (
            var part in typed
                .Split('&')
                .Select(p => p.Split('='))
                .Where(p => page.QuerySelector($"form.slip input[type=text][name={p[0]}]") is not null)
        )
            Assert.Equal(
                WebUtility.UrlDecode(part[1]),
                page.QuerySelector($"form.slip [name={part[0]}]")!.GetAttribute("value")
            );
    }

    [Fact]
    public async Task Each_starts_from_a_pond_and_from_an_example_without_a_complaint()
    {
        var visitor = await farm.As(Role.Viewer);
        foreach (var calculator in AllCalculators.List)
        foreach (var start in new[] { "", "?pond=P1" })
        {
            var page = new HtmlParser().ParseDocument(
                await visitor.Client.GetStringAsync($"/workbench/{calculator.Key}{start}")
            );
            Assert.True(page.QuerySelector(".bench-out .big") is not null, calculator.Key + start);
            // Every figure opens its grounds, with a source.
            Assert.All(page.QuerySelectorAll(".bench-out .why-card"), c =>
                Assert.Contains("Source: ", c.TextContent, StringComparison.Ordinal)
            );
        }
        Assert.Equal(HttpStatusCode.NotFound, (await visitor.Client.GetAsync("/workbench/volume?pond=X9")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await visitor.Client.GetAsync("/workbench/nothing")).StatusCode);
    }

    [Fact]
    public async Task People_who_cannot_be_let_in_leave_nobody_behind_and_keep_what_was_typed()
    {
        var manager = await farm.As(Role.Manager);
        foreach (
            var (name, password, says) in new[]
            {
                ("Creek hand", "short", "8 to 200 letters"),
                ("Manager", "four plain words", "somebody else"),
                ("Creek hand", "creek hand", "it is no password"),
                ("Creek hand", "aaaaaaaa", "Too few different"),
                ("", "four plain words", "1 to 60 letters"),
            }
        )
        {
            var answer = await manager.Post(
                "/setup/people?handler=Add",
                new()
                {
                    ["name"] = name,
                    ["role"] = "Viewer",
                    ["password"] = password,
                }
            );
            var page = new HtmlParser().ParseDocument(await answer.Content.ReadAsStringAsync());
            Assert.Contains(says, page.QuerySelector(".slip-problems")!.TextContent, StringComparison.Ordinal);
            Assert.Equal(name, page.QuerySelector("form.slip [name=name]")!.GetAttribute("value"));
            Assert.Equal("Viewer", page.QuerySelector("form.slip [name=role] option[selected]")!.GetAttribute("value"));
        }
        Assert.DoesNotContain(
            "Creek hand",
            (await manager.Client.GetStringAsync("/setup/people")),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task A_figure_below_nought_at_a_stop_is_answered_and_not_dropped()
    {
        var hand = await farm.As(Role.PondHand);
        foreach (var (field, says) in new[] { ("fed", "cannot be a feeding"), ("dead", "outside 1 to") })
        {
            var answer = await hand.Json(
                "/round?handler=Keep",
                $$$"""{"phoneNow":2000,"stops":[{"id":"{{{Guid.NewGuid()}}}","pond":"P1","at":1000,"values":{"do":"6.1","{{{field}}}":"-4"}}]}"""
            );
            var text = await answer.Content.ReadAsStringAsync();
            Assert.Contains("\"kept\":false", text, StringComparison.Ordinal);
            Assert.Contains(says, text, StringComparison.Ordinal);
        }
    }
}
