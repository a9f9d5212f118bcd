using System.Globalization;
using Dorsk.Core.Harvest;
using Dorsk.Core.People;
using Dorsk.Core.Season;
using Dorsk.Core.Units;

namespace Dorsk.Web.Slips;

/// <summary>Words of a net day.</summary>
public static class NetWord
{
    /// <summary>What becomes of fish, in words.</summary>
    public static readonly IReadOnlyList<(string Key, NetFate Fate, string Word)> Fates =
    [
        ("OnIce", NetFate.OnIce, "on ice"),
        ("Alive", NetFate.Alive, "alive"),
        ("Returned", NetFate.Returned, "returned"),
        ("SetAside", NetFate.SetAside, "set aside"),
        ("OtherSite", NetFate.OtherSite, "other site"),
        ("Dead", NetFate.Dead, "dead"),
    ];

    /// <summary>A fate in words.</summary>
    public static string Of(NetFate fate) => Fates.First(f => f.Fate == fate).Word;

    /// <summary>A class of sizes in words.</summary>
    public static string Of(SizeClass c, Here here) =>
        c.FromG <= 0 ? $"under {here.Say(c.ToG, Measures.FishWeight)}"
        : double.IsInfinity(c.ToG) ? $"over {here.Say(c.FromG, Measures.FishWeight)}"
        : $"{here.Say(c.FromG, Measures.FishWeight)} to {here.Say(c.ToG, Measures.FishWeight)}";
}

/// <summary>The net goes in.</summary>
internal sealed class NetSlip : ISlip
{
    private const double UsualPullM3OfKg = 0.04;

    public string Key => "net";

    public Permission Needs => Permission.Manage;

    public string Title => "Begin a net day";

    public string Button => "Begin the net day";

    public bool OfPond => true;

    public string FactKind => nameof(NetDayBegun);

    public string Section => "harvest";

    public string Caution =>
        "Nobody stands on the lead line or between line and vehicle; who cannot swim stays on the bank or wears a vest; one arm up means stop.";

    public string? CannotStart(SlipContext c) =>
        c.Corrects is null && !c.Story!.Standing.Any() ? "No fish stand in this pond." : null;

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<NetDayBegun>();
        var kg = c.Story!.Stock.BiomassKgOn(c.Here.Today);
        return
        [
            .. Lines.When(c),
            Lines.Batch(c, f?.BatchId),
            c.Quantity(
                "Water",
                "Water in the bag of the net",
                Measures.Volume,
                f?.WaterM3 ?? Math.Max(5, Math.Round(kg * UsualPullM3OfKg))
            ),
            c.Quantity("Flow", "Pumped through it", Measures.Flow, f?.FlowM3H ?? 0),
            c.Words("Crew", "Crew", f?.Crew ?? "")
                .WithHint("lines, lead line, scale, truck, who gives the stop signal"),
            c.Words("Reason", "Why, where a condition is not met", f?.Reason ?? ""),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var batch = Lines.ReadBatch(form, c);
        var at = form.When();
        var stands = c.Story!.Standing.FirstOrDefault(b => b.Id == batch) is { } found
            ? c.Story.Stock.At(found, c.Here.Zone.DayOf(at))
            : null;
        var old = c.Old<NetDayBegun>();
        var fact = new NetDayBegun(
            old?.NetId ?? 0,
            c.PondId,
            batch,
            form.Quantity("Water", Measures.Volume),
            form.MaybeQuantity("Flow", Measures.Flow) ?? 0,
            old?.LowKg ?? stands?.BiomassKg.Low ?? double.NaN,
            old?.HighKg ?? stands?.BiomassKg.High ?? double.NaN,
            old?.MeanG ?? stands?.MeanG.Value ?? double.NaN,
            form.Text("Crew")
        )
        {
            Reason = form.Text("Reason"),
        };
        return new(
            at,
            [fact],
            $"{c.Story.Pond.Code} net day {fact.Crew}".Trim(),
            stands is null ? [] : [Expected(c, fact)]
        );
    }

    private static Computed Expected(SlipContext c, NetDayBegun day) =>
        new(
            "Expected",
            $"{c.Here.Range(day.LowKg, day.HighKg, Measures.Mass)}, {c.Here.Say(day.MeanG, Measures.FishWeight)} on average"
        );
}

/// <summary>A basket, without the phone's pad, and to correct one.</summary>
internal sealed class BasketSlip : ISlip
{
    public string Key => "basket";

    public string Title => "Basket";

    public string Button => "Save this basket";

    public bool OfPond => true;

    public string FactKind => nameof(BasketWeighed);

    public string Section => "harvest";

    public string? CannotStart(SlipContext c) =>
        c.Corrects is null && c.Story!.Net.Open.Count == 0 ? "No net day is open at this pond. Begin one first." : null;

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<BasketWeighed>();
        var open = c.Story!.Net.Open;
        var last = open.SelectMany(t => t.Baskets).LastOrDefault().Weighed;
        return
        [
            .. Lines.When(c),
            c.Choice(
                "Fate",
                "Fish go",
                (f?.Fate ?? NetFate.OnIce).ToString(),
                [.. NetWord.Fates.Select(x => (x.Key, x.Word))]
            ),
            c.Quantity("Gross", "Weighed, with the basket", Measures.Mass, f?.GrossKg),
            c.Quantity("Tare", "Empty basket", Measures.Mass, f?.TareKg ?? last?.TareKg ?? 0),
            c.Whole("Count", "Fish, if counted", f?.Count?.ToString(CultureInfo.InvariantCulture) ?? ""),
            c.Whole("Pull", "Pull", f?.Pull ?? (open.Count > 0 ? open[^1].PullNow : 1)),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var old = c.Old<BasketWeighed>();
        var fact = new BasketWeighed(
            old?.NetId ?? (c.Story!.Net.Open is [.., var open] ? open.Begun.NetId : 0),
            c.PondId,
            form.Whole("Pull", "pull"),
            form.Choice("Fate", [.. NetWord.Fates.Select(x => (x.Key, x.Fate))], "way", NetFate.OnIce),
            form.Quantity("Gross", Measures.Mass),
            form.MaybeQuantity("Tare", Measures.Mass) ?? 0
        )
        {
            Count = form.MaybeWhole("Count", "fish"),
            ClassFromG = old?.ClassFromG,
        };
        return new(
            form.When(),
            [fact],
            $"{c.Story!.Pond.Code} basket {form.Text("Gross")}",
            fact.NetKg > 0 ? [new("Fish", c.Here.Say(fact.NetKg, Measures.Mass))] : []
        );
    }
}

/// <summary>The tally goes into the ledger.</summary>
internal sealed class NetCloseSlip : ISlip
{
    private static readonly string[] Remainders =
    [
        "missed under the lead line and round the ends",
        "birds and other hunters",
        "thieves",
        "short count at stocking",
        "dead and not found",
        "guessed loss written down before",
    ];

    public string Key => "net-close";

    public Permission Needs => Permission.Manage;

    public string Title => "Close the tally";

    public string Button => "Into the ledger";

    public bool OfPond => true;

    public string FactKind => nameof(NetDayClosed);

    public string Section => "harvest";

    public string? CannotStart(SlipContext c) =>
        c.Corrects is null && Open(c) is null ? "No basket is waiting for the ledger at this pond." : null;

    private static NetTally? Open(SlipContext c) => c.Story!.Net.Open.FirstOrDefault(t => t.Waiting.Count > 0);

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<NetDayClosed>();
        var tally = Open(c);
        List<SlipField> fields = [.. Lines.When(c)];
        if (f is null && tally?.Waiting.Any(b => b.Weighed.Fate == NetFate.SetAside) == true)
            fields.Add(
                c.Choice(
                    "Aside",
                    "Those set aside stand in",
                    "",
                    [("", "choose"), .. SeasonLines.Others(c).Select(p => (p.Key, p.Code))]
                )
            );
        fields.AddRange(Said(c, f));
        return fields;
    }

    private static IEnumerable<SlipField> Said(SlipContext c, NetDayClosed? f)
    {
        yield return c.Yes("Empty", "Pond empty: looked over by hand and net", f?.Empty == true ? "true" : "")
            .WithHint("the batch is closed; what is missing gets the name below");
        if (f is null)
            yield return c.Choice("Remainder", "What is missing", Remainders[0], [.. Remainders.Select(r => (r, r))]);
        yield return c.Whole(
                "Damaged",
                "Of 20 fish looked at, damaged",
                f?.DamagedOf20?.ToString(CultureInfo.InvariantCulture) ?? ""
            )
            .WithHint("wounds, lost scales, crushed; empty: nobody looked");
        yield return c.Words("Note", "What killed fish, what else to remember", f?.Note ?? "");
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var at = form.When();
        if (c.Old<NetDayClosed>() is { } old)
            return new(
                at,
                [
                    old with
                    {
                        Empty = form.Yes("Empty"),
                        Note = form.Text("Note"),
                        DamagedOf20 = form.MaybeWhole("Damaged", "fish"),
                    },
                ],
                "net day closed",
                []
            );
        if (Open(c) is not { } tally)
            return new(at, null, "", []);
        if (form.Yes("Empty") && !tally.Waiting.Any(b => Leaves.Contains(b.Weighed.Fate)))
            form.Refuse(
                "Empty",
                "Nothing was taken out: a batch is closed with a harvest slip, or by moving its fish."
            );
        var close = new NetDayClosed(tally.Begun.NetId, c.PondId, form.Yes("Empty"), form.Text("Note"))
        {
            DamagedOf20 = form.MaybeWhole("Damaged", "fish"),
        };
        return new(
            at,
            NetClose.Facts(tally, AsideTo(tally, form, c), form.Yes("Empty") ? Remainder(form) : "", close),
            $"{c.Story!.Pond.Code} tally closed",
            [.. Told(tally, c)]
        );
    }

    private static readonly NetFate[] Leaves = [NetFate.OnIce, NetFate.Alive, NetFate.OtherSite];

    private static long AsideTo(NetTally tally, SlipForm form, SlipContext c) =>
        tally.Waiting.Any(b => b.Weighed.Fate == NetFate.SetAside)
            ? form.Choice("Aside", [.. SeasonLines.Others(c).Select(p => (p.Key, p.Id))], "pond", 0L)
            : 0;

    private static string Remainder(SlipForm form) =>
        form.Choice("Remainder", [.. Remainders.Select(r => (r, r))], "name", Remainders[0]);

    private static IEnumerable<Computed> Told(NetTally tally, SlipContext c)
    {
        foreach (var (_, fate, word) in NetWord.Fates)
            if (tally.Sum(tally.Waiting.Where(b => b.Weighed.Fate == fate)) is { Baskets: > 0 } sum)
                yield return new(
                    word,
                    $"{c.Here.Say(sum.Kg, Measures.Mass)}, {c.Here.Count(Math.Round(sum.Count))} fish, {c.Here.Count(sum.Baskets)} baskets"
                );
    }
}

/// <summary>What people say of a closed cycle.</summary>
internal sealed class ReviewSlip : ISlip
{
    public string Key => "review";

    public string Title => "Review of a cycle";

    public string Button => "Save this review";

    public bool OfPond => true;

    public string FactKind => nameof(CycleReviewed);

    public string Section => "harvest";

    public string? CannotStart(SlipContext c) => Lines.NoFish(c);

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<CycleReviewed>();
        return
        [
            Lines.Batch(c, f?.BatchId ?? c.Story!.Batches.LastOrDefault(b => b.EmptiedAt is not null)?.Id),
            c.Words("Surprise", "What surprised us", f?.Surprise ?? ""),
            c.Words("Change", "What to change next time", f?.Change ?? "")
                .WithHint("shown when the next cycle of this pond is planned"),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c) =>
        new(
            c.Corrects?.Row.Happened ?? c.Here.Now,
            [new CycleReviewed(c.PondId, Lines.ReadBatch(form, c), form.Text("Surprise"), form.Text("Change"))],
            $"{c.Story!.Pond.Code} review",
            []
        );
}
