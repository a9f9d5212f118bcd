using System.Globalization;
using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Farm.Estimates;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Workbench;

/// <summary>One figure worked out.</summary>
/// <param name="Label">What it is.</param>
/// <param name="Text">Value with unit.</param>
/// <param name="Why">Its grounds.</param>
/// <param name="Main">The one that was asked for.</param>
public sealed record Figure(string Label, string Text, Grounds Why, bool Main = false);

/// <summary>Shares over a grid of pH and temperature, with the place of what was typed.</summary>
public sealed record HeatMap(
    IReadOnlyList<double> Ph,
    IReadOnlyList<double> TempC,
    Func<double, double, double> MgL,
    double ConstantMgL,
    double PeakMgL,
    double AtPh,
    double AtTempC
);

/// <summary>A pond cut across, filled to a level.</summary>
public sealed record CrossSection(double TopM, double BottomM, double DepthM, double LevelM);

/// <summary>What a calculator says.</summary>
/// <param name="Figures">Figures, the one asked for first.</param>
/// <param name="Words">The answer in a sentence.</param>
/// <param name="Verdict">A judgement, where there is one.</param>
/// <param name="Cautions">The usual cautions.</param>
/// <param name="Table">Rows beside it: heading row first; may be empty.</param>
/// <param name="Map">A map of shares, or null.</param>
/// <param name="Section">A cross-section, or null.</param>
/// <param name="Points">Points of a place, or null.</param>
public sealed record Worked(
    IReadOnlyList<Figure> Figures,
    string Words,
    Judgement? Verdict = null,
    IReadOnlyList<string>? Cautions = null,
    IReadOnlyList<string[]>? Table = null,
    HeatMap? Map = null,
    CrossSection? Section = null,
    IReadOnlyList<Dorsk.Core.Ponds.PlacePoint>? Points = null
);

/// <summary>A calculator without a pond, or with one to start from. A new one is a new class and one line in <see cref="AllCalculators"/>.</summary>
public interface ICalculator
{
    /// <summary>Name in the address.</summary>
    string Key { get; }

    /// <summary>Heading.</summary>
    string Title { get; }

    /// <summary>What it answers, in one line.</summary>
    string Lead { get; }

    /// <summary>Its lines, with what stands in them at first: of the pond, where one is given.</summary>
    IReadOnlyList<SlipField> Fields(BenchStart start);

    /// <summary>Works it out; misreadings are in the form.</summary>
    Worked? Work(BenchForm form);
}

/// <summary>What a calculator starts from.</summary>
/// <param name="Here">The farm.</param>
/// <param name="Pond">A pond, or null.</param>
public sealed record BenchStart(Here Here, PondStory? Pond) : IFieldStart
{
    /// <summary>A figure as it would be typed: of the pond, else the example.</summary>
    public string Of(double? pond, double example, Measure measure) => Plain(pond ?? example, measure);

    /// <summary>Volume at today's gauge level, m³.</summary>
    public double? VolumeM3 => Pond is null ? null : Pond.Pond.Shape.VolumeM3(Pond.LevelAt(Here.Now).LevelM);

    /// <summary>The last reading of a parameter, SI.</summary>
    public double? Last(Parameter parameter) => Pond?.LastOf(parameter)?.Si;

    /// <summary>A figure as it would be typed.</summary>
    public string Plain(double si, Measure measure) => Here.Typed(si, measure);
}

/// <summary>Reads the lines of a calculator, each within what can be.</summary>
public sealed class BenchForm(SlipForm form, Dorsk.Core.Ponds.PondShape? asBuilt = null)
{
    /// <summary>The pond it starts from, or null.</summary>
    public PondStory? Pond { get; init; }

    /// <summary>Limits of the most tender fish of that pond; without a pond, or an empty one, those of warm-water fish in grow-out.</summary>
    public WaterLimits Limits => Pond?.Stock.LimitsOn(Here.Today) ?? WaterLimits.WarmWaterFish;

    /// <summary>Whose limits they are, in words.</summary>
    public string LimitsFor =>
        Pond?.Stock.LimitsOn(Here.Today) is null
            ? "warm-water fish in grow-out"
            : $"the most tender fish in {Pond.Pond.Code}";

    /// <summary>The body of the pond it starts from, where that is no rectangle that could be typed.</summary>
    public Dorsk.Core.Ponds.PondShape? AsBuilt => asBuilt;

    public SlipForm Form => form;

    public Here Here => form.Here;

    /// <summary>Whether everything could be read so far.</summary>
    public bool Sound => form.Remarks.Count == 0;

    /// <summary>A figure in SI between two ends.</summary>
    public double Q(string field, Measure measure, double low, double high)
    {
        var si = form.Quantity(field, measure);
        if (double.IsFinite(si) && (si < low || si > high))
        {
            form.Refuse(
                field,
                $"{Say(si, measure)} is outside what can be worked with: {Say(low, measure)} to {Say(high, measure)}."
            );
            return double.NaN;
        }
        return si;
    }

    /// <summary>The same for a field that may be empty.</summary>
    public double? MaybeQ(string field, Measure measure, double low, double high) =>
        form.Empty(field) ? null
        : Q(field, measure, low, high) is var si && double.IsFinite(si) ? si
        : null;

    /// <summary>A whole number between two ends.</summary>
    public int Whole(string field, string what, int low, int high)
    {
        var n = form.Whole(field, what);
        if (form.Remarks.Any(r => r.Field == field) || (n >= low && n <= high))
            return Math.Clamp(n, low, high);
        form.Refuse(field, string.Create(CultureInfo.InvariantCulture, $"{n} is outside {low} to {high}."));
        return low;
    }

    /// <summary>Prints a quantity.</summary>
    public string Say(double si, Measure measure) => Here.Say(si, measure);
}

/// <summary>All calculators.</summary>
public static class AllCalculators
{
    /// <summary>Groups in the order of the page.</summary>
    public static readonly IReadOnlyList<(string Title, IReadOnlyList<ICalculator> Of)> Groups =
    [
        (
            "Oxygen and gases",
            [
                new SaturationCalculator(),
                new AirCalculator(),
                new PowerCalculator(),
                new PulleyCalculator(),
                new BottleCalculator(),
                new FallCalculator(),
                new AirChoiceCalculator(),
                new CarbonDioxideCalculator(),
            ]
        ),
        (
            "Water quality and dosing",
            [
                new AmmoniaCalculator(),
                new AlkalinityCalculator(),
                new NitriteSaltCalculator(),
                new CarbonCalculator(),
                new FertiliserCalculator(),
                new SalinityCalculator(),
                new MixingCalculator(),
                new SourceCalculator(),
            ]
        ),
        (
            "Changing and moving water",
            [
                new ExchangeCalculator(),
                new ExchangePlanCalculator(),
                new PhExchangeCalculator(),
                new RottenFeedCalculator(),
                new PoolCoverCalculator(),
                new RefillCalculator(),
                new LevelCalculator(),
                new PumpCalculator(),
                new TideCalculator(),
            ]
        ),
        (
            "Ponds and building",
            [
                new PlaceCalculator(),
                new RoomCalculator(),
                new SizeCalculator(),
                new VolumeCalculator(),
                new FillCalculator(),
                new DrainCalculator(),
                new LeakCalculator(),
                new BankCalculator(),
                new ClayCalculator(),
                new SplitCalculator(),
                new MoverCalculator(),
                new IndoorCalculator(),
                new BuildingCalculator(),
                new QuotationCalculator(),
            ]
        ),
        (
            "Feed",
            [
                new MixCalculator(),
                new SquareCalculator(),
                new OwnMixCalculator(),
                new FeedPlansCalculator(),
                new FeederCalculator(),
                new FilterCalculator(),
                new ScaleCalculator(),
                new GrownFeedCalculator(),
            ]
        ),
        (
            "Fish",
            [
                new NurseryCalculator(),
                new CountCalculator(),
                new ThrowCalculator(),
                new LengthCalculator(),
                new RoadCalculator(),
            ]
        ),
        (
            "Harvest",
            [
                new GradingCalculator(),
                new SeineCalculator(),
                new NetAirCalculator(),
                new PullsCalculator(),
                new IceCalculator(),
                new CustomerPondCalculator(),
                new PumpHarvestCalculator(),
                new TankHarvestCalculator(),
                new CoolWaterCalculator(),
            ]
        ),
        (
            "Hatchery",
            [
                new HatcheryPlanCalculator(),
                new EggClockCalculator(),
                new SpawnWayCalculator(),
                new TroughCalculator(),
                new MakeOrBuyCalculator(),
                new FryPlacesCalculator(),
                new HalfGrownCalculator(),
                new WeaningCostCalculator(),
                new FeedChangeCalculator(),
                new MarkingCalculator(),
            ]
        ),
        ("Units", [new ConverterCalculator()]),
    ];

    /// <summary>All of them, in that order.</summary>
    public static readonly IReadOnlyList<ICalculator> List = [.. Groups.SelectMany(g => g.Of)];

    /// <summary>The calculator that doses a remedy.</summary>
    /// <param name="remedy">The remedy.</param>
    /// <param name="of">What it is for; a high pH asks for exchange on days.</param>
    public static ICalculator Of(Remedy remedy, Parameter? of = null) =>
        List.First(c =>
            c.Key
            == remedy switch
            {
                Remedy.Air => "air",
                Remedy.ChangeWater when of == Parameter.Ph => "ph-exchange",
                Remedy.ChangeWater => "exchange",
                Remedy.Carbon => "carbon",
                Remedy.Salt => "salt",
                _ => "alkalinity",
            }
        );

    /// <summary>A calculator by its name in the address, or null.</summary>
    public static ICalculator? Find(string key) => List.FirstOrDefault(c => c.Key == key);
}
