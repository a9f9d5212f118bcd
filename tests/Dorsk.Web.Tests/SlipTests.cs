using System.Globalization;
using System.Text.RegularExpressions;
using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Units;
using Dorsk.Farm.Facts;
using Dorsk.Farm.Tests.Facts;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Tests;

/// <summary>Every slip that corrects a kind of fact says the fact as it would be typed, and reads the same back: in any units, with a point or a comma.</summary>
public class SlipTests
{
    private static readonly Hand[] Hands =
    [
        Hand.Metric,
        new(UnitSystem.Metric, DecimalSign.Comma),
        Hand.Us,
        new(UnitSystem.Us, DecimalSign.Comma),
    ];

    // One slip shares a load out over ponds and corrects nothing.
    private static IEnumerable<string> BySlip =>
        AllSlips.List.Select(s => s.FactKind).Where(k => k.Length > 0).Distinct();

    [Fact]
    public void Every_slip_corrects_a_kind_that_there_is() =>
        Assert.All(BySlip, kind => Assert.NotNull(FactKinds.Find(kind)));

    public static TheoryData<string, int> Kinds
    {
        get
        {
            var data = new TheoryData<string, int>();
            foreach (var kind in BySlip)
                for (var hand = 0; hand < Hands.Length; hand++)
                    data.Add(kind, hand);
            return data;
        }
    }

    [Theory, MemberData(nameof(Kinds))]
    public void What_it_shows_reads_back_the_same(string kind, int hand)
    {
        using var farm = new FactFarm();
        farm.Farm.Must(
            new FarmDescribed("Test", "made up", new(-29.4321, 152.6), 60.5, "Etc/GMT-10", Hands[hand], "EUR", 0.315),
            FactFarm.Now.AddDays(-1)
        );
        foreach (var fact in new[] { farm.Of(kind).Fact, farm.Of(kind).Other })
            Holds(farm, fact is FarmDescribed f ? f with { Hand = Hands[hand] } : fact, kind);
    }

    private static void Holds(FactFarm farm, Fact fact, string kind)
    {
        var line = farm.Farm.Must(fact, FactFarm.Now);
        var row = farm.Farm.Questions.Line(line)!;
        var slip = AllSlips.Correcting(row);
        Assert.True(slip is not null, $"nothing corrects {kind}");
        farm.Farm.Clock.Now = FactFarm.Now.AddMinutes(1);
        var here = SlipReading.At(farm.Farm.Questions, farm.Farm.Door, FactFarm.Now.AddMinutes(1));
        var story = slip.OfPond ? farm.Farm.Questions.Story(farm.Code(row.PondId)) : null;
        SlipContext Correcting(Fact old) => new(here, farm.Farm.Questions, story, (row, old));
        var stored = farm.Farm.Questions.FactOf(line)!;
        var shown = Typed(slip, Correcting(stored));
        var form = new SlipForm(shown, here);
        var read = slip.Read(form, Correcting(stored));
        Assert.True(
            form.Remarks.Count == 0,
            $"{kind}: {string.Join(" | ", form.Remarks.Select(r => $"{r.Field} {r.Text}"))}"
        );
        var again = Assert.Single(read.Facts!);
        Near(Dump.Of(stored), Dump.Of(again), kind);
        Assert.True((read.Happened - FactFarm.Now).Duration() < TimeSpan.FromDays(1), $"{kind}: {read.Happened}");
        Assert.Equal(shown, Typed(slip, Correcting(again)));
        Assert.True(farm.Farm.Try(null, FactFarm.Now, line).Accepted);
    }

    private static Dictionary<string, string> Typed(ISlip slip, SlipContext context) =>
        slip.Fields(context)
            .Where(f => f.Name.Length > 0)
            .GroupBy(f => f.Name)
            .ToDictionary(g => g.Key, g => g.First().Initial);

    // Figures may lose what is rounded on the way to the page, no more: a hundredth part at most.
    private static void Near(string before, string after, string kind)
    {
        const string Number = @"-?\d+(?:\.\d+)?(?:E-?\d+)?";
        Assert.Equal(Regex.Replace(before, Number, "#"), Regex.Replace(after, Number, "#"));
        foreach (var (a, b) in Regex.Matches(before, Number).Zip(Regex.Matches(after, Number)))
        {
            var (x, y) = (
                double.Parse(a.Value, CultureInfo.InvariantCulture),
                double.Parse(b.Value, CultureInfo.InvariantCulture)
            );
            Assert.True(Math.Abs(x - y) <= 0.01 * Math.Max(Math.Abs(x), Math.Abs(y)), $"{kind}: {x} came back as {y}");
        }
    }
}
