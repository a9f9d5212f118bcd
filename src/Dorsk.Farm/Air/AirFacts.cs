using Dorsk.Core.Air;
using Dorsk.Core.Judging;
using Dorsk.Farm.Facts;
using Dorsk.Farm.Ponds;

namespace Dorsk.Farm.Air;

/// <summary>How aerators switch by themselves, were switched, ran and were looked after.</summary>
internal static class AirFacts
{
    private static readonly TimeSpan LongestOrder = TimeSpan.FromDays(14);

    public static readonly FactTable<AirControlSet> Control = new FactTable<AirControlSet>(
        "air_control",
        "automatic aeration"
    )
        .Pond("pond", f => f.PondId)
        .Column("automatic", f => f.Automatic)
        .Column("on_below", f => f.OnBelowMgL)
        .Column("off_above", f => f.OffAboveMgL)
        .Column("stagger_s", f => f.StaggerS)
        .Column("all_day_from_g", f => f.AllDayFromG)
        .ReadBy(r =>
            new(r.Long("pond"), r.Yes("automatic"), r.Real("on_below"), r.Real("off_above"), r.Int("stagger_s"))
            {
                AllDayFromG = r.MaybeReal("all_day_from_g"),
            }
        )
        .CheckedBy(CheckControl);

    public static readonly FactTable<AeratorSwitched> Switched = new FactTable<AeratorSwitched>(
        "aerator_switched",
        "aerator order"
    )
        .Pond("pond", f => f.PondId)
        .Column("code", f => f.Code)
        .Column("wanted", f => f.Order)
        .Column("until", f => f.Until)
        .ReadBy(r => new(r.Long("pond"), r.Text("code"), r.Word<AirOrder>("wanted"), r.MaybeInstant("until")))
        .CheckedBy((desk, f) => Fitted(desk, f.PondId, f.Code, _ => CheckUntil(desk, f)));

    public static readonly FactTable<AeratorCommanded> Commanded = new FactTable<AeratorCommanded>(
        "aerator_commanded",
        "aerator command sent"
    )
        .Pond("pond", f => f.PondId)
        .Column("code", f => f.Code)
        .Column("runs", f => f.On)
        .Column("why", f => f.Why)
        .ReadBy(r => new(r.Long("pond"), r.Text("code"), r.Yes("runs"), r.Text("why")))
        .CheckedBy((desk, f) => Fitted(desk, f.PondId, f.Code, _ => []));

    public static readonly FactTable<AeratorReported> Reported = new FactTable<AeratorReported>(
        "aerator_reported",
        "aerator report"
    )
        .Pond("pond", f => f.PondId)
        .Column("code", f => f.Code)
        .Column("running", f => f.Running)
        .Column("current_a", f => f.CurrentA)
        .Column("mains", f => f.Mains)
        .Column("temp_c", f => f.TempC)
        .ReadBy(r =>
            new(r.Long("pond"), r.Text("code"), r.Yes("running"), r.MaybeReal("current_a"), r.Yes("mains"))
            {
                TempC = r.MaybeReal("temp_c"),
            }
        )
        .CheckedBy((desk, f) => Fitted(desk, f.PondId, f.Code, f.Check));

    public static readonly FactTable<AeratorServiced> Serviced = new FactTable<AeratorServiced>(
        "aerator_serviced",
        "aerator serviced"
    )
        .Pond("pond", f => f.PondId)
        .Column("code", f => f.Code)
        .Column("next_after_h", f => f.NextAfterH)
        .Column("text", f => f.Text)
        .ReadBy(r => new(r.Long("pond"), r.Text("code"), r.Real("next_after_h"), r.Text("text")))
        .CheckedBy((desk, f) => Fitted(desk, f.PondId, f.Code, _ => f.Check()));

    public static readonly FactTable<AeratorTested> Tested = new FactTable<AeratorTested>(
        "aerator_tested",
        "aerator tested"
    )
        .Pond("pond", f => f.PondId)
        .Column("code", f => f.Code)
        .Column("step", f => f.Step)
        .Column("rated_a", f => f.Plate.CurrentA)
        .Column("most_kpa", f => f.Plate.PressureKPa)
        .Column("most_c", f => f.Plate.TempC)
        .Column("current_a", f => f.CurrentA)
        .Column("kpa", f => f.PressureKPa)
        .Column("temp_c", f => f.TempC)
        .ReadBy(r =>
            new(
                r.Long("pond"),
                r.Text("code"),
                r.Text("step"),
                new(r.Real("rated_a"), r.MaybeReal("most_kpa"), r.MaybeReal("most_c")),
                r.Real("current_a"),
                r.MaybeReal("kpa"),
                r.MaybeReal("temp_c")
            )
        )
        .CheckedBy((desk, f) => Fitted(desk, f.PondId, f.Code, _ => f.Check().Concat(StepBefore(desk, f))));

    public static IReadOnlyList<FactKind> Kinds { get; } = [Control, Switched, Commanded, Reported, Serviced, Tested];

    private static IEnumerable<Remark> StepBefore(Desk desk, AeratorTested f) =>
        AirFaults.AfterStep(
            Tested
                .All(
                    desk.Connection,
                    desk.AsOf,
                    "t.pond = $pond AND t.code = $code",
                    ("pond", f.PondId),
                    ("code", f.Code)
                )
                .Select(x => ((DateTimeOffset, AeratorTested)?)(x.At, x.Fact))
                .LastOrDefault(),
            desk.Happened,
            desk.Hand
        );

    private static List<string> Codes(Desk desk, long pond) =>
        FarmQuestions
            .Aerators(desk.Connection, desk.AsOf.Known, pond)
            .LastOrDefault()
            ?.Aerators.Select(a => a.Code)
            .ToList()
        ?? [];

    private static IEnumerable<Remark> CheckControl(Desk desk, AirControlSet control)
    {
        foreach (var remark in control.Check(desk.PondAt(control.PondId)?.ActLevelMgL(desk.Today)))
            yield return remark;
        if (control.Automatic && Codes(desk, control.PondId).Count == 0)
            yield return Remark.Refuse("Automatic", "No aerator is fitted here: describe them first.");
    }

    /// <summary>The further rules for an aerator that is fitted; a remark when it is not.</summary>
    private static IEnumerable<Remark> Fitted(
        Desk desk,
        long pond,
        string code,
        Func<List<string>, IEnumerable<Remark>> further
    )
    {
        var codes = Codes(desk, pond);
        if (codes.Contains(code))
            return further(codes);
        return
        [
            Remark.Refuse(
                "Code",
                codes.Count == 0
                    ? "No aerator is fitted here: describe them first."
                    : $"No aerator {code} is fitted here: {string.Join(", ", codes)}."
            ),
        ];
    }

    private static IEnumerable<Remark> CheckUntil(Desk desk, AeratorSwitched f) =>
        f.Until is { } until && (until <= desk.Happened || until > desk.Happened + LongestOrder)
            ?
            [
                Remark.Refuse(
                    "Until",
                    "An hour to come, at most fourteen days ahead; or empty: until somebody says so."
                ),
            ]
            : [];
}
