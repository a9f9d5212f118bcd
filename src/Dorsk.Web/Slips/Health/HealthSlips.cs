using Dorsk.Core.Health;
using Dorsk.Core.People;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;

namespace Dorsk.Web.Slips;

/// <summary>A pond is put on hold, or the hold ends.</summary>
internal sealed class HoldSlip : ISlip
{
    public string Key => "hold";

    public Permission Needs => Permission.Manage;

    public string Title => "Hold";

    public string Button => "Save";

    public bool OfPond => true;

    public string FactKind => nameof(PondHeld);

    public string Section => "health";

    public string Caution =>
        "Some diseases must be reported to the authority at once: ask the vet. Until it ends: no fish in or out, own net and boots, no visitors, this pond last on the round, hands and wheels cleaned after.";

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var old = c.Old<PondHeld>();
        var begins = old?.Begins ?? c.Story!.Health.Hold is null;
        return
        [
            .. Lines.When(c),
            c.Choice(
                "Begins",
                "Hold",
                begins ? "yes" : "no",
                [("yes", "begins: no fish in or out, no shared net, no visitors"), ("no", "ends")]
            ),
            c.Words("Why", "Why", old?.Why ?? "").WithHint("what was seen, or what says that it is over; who was told"),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var fact = new PondHeld(
            c.PondId,
            form.Choice("Begins", [("yes", true), ("no", false)], "hold", true),
            form.Text("Why")
        );
        return new(
            form.When(),
            [fact],
            $"{c.Story!.Pond.Code} hold {(fact.Begins ? "begins" : "ends")}: {fact.Why}",
            []
        );
    }
}

/// <summary>Hunters seen at a pond, and what was done.</summary>
internal sealed class HunterSlip : ISlip
{
    public string Key => "predator";

    public string Title => "Predator or thief seen";

    public string Button => "Save";

    public bool OfPond => true;

    public string FactKind => nameof(HunterSeen);

    public string Section => "health";

    public string Caution =>
        "Protected animals: nets and scaring first, more only under licence. Crocodiles and thieves: nobody goes alone; ring the authority.";

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var old = c.Old<HunterSeen>();
        return
        [
            .. Lines.When(c),
            c.Choice("Kind", "Kind", old?.Kind ?? "", [.. Hunter.All.Select(h => (h.Key, h.Name))]),
            c.Whole("Count", "How many", old?.Count ?? 1),
            c.Words("Place", "Where at the pond", old?.Place ?? ""),
            c.Words("Done", "What was done", old?.Done ?? ""),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var hunter = form.Choice("Kind", [.. Hunter.All.Select(h => (h.Key, h))], "kind", Hunter.All[0]);
        var fact = new HunterSeen(
            c.PondId,
            hunter.Key,
            form.MaybeWhole("Count", "number") ?? 1,
            form.Text("Place"),
            form.Text("Done")
        );
        return new(
            form.When(),
            [fact],
            $"{c.Story!.Pond.Code} {fact.Count} {hunter.Name} {fact.Place}".Trim(),
            [.. Told(hunter, fact, c)]
        );
    }

    private static IEnumerable<Computed> Told(Hunter hunter, HunterSeen seen, SlipContext c)
    {
        yield return new("Known by", hunter.Looks);
        yield return new("Keeps it off", hunter.Barrier);
        foreach (var told in Around(hunter, seen.Count, c))
            yield return told;
        if (hunter.IsProtected)
            yield return new("Law", "protected in most countries: nets and scaring first");
        var meanG = c.Story!.Standing.Select(b => c.Story.Stock.At(b, c.Here.Today).MeanG.Value)
            .DefaultIfEmpty(0)
            .Min();
        if (meanG <= 0 || seen.Count < 1)
            yield break;
        var (low, high) = hunter.TakesADay(seen.Count, meanG);
        yield return new(
            "They take a day",
            high > 0
                ? $"{QuantityText.Write(low, Measures.Mass, c.Here.Hand)} to {QuantityText.Write(high, Measures.Mass, c.Here.Hand)}"
                : $"none: fish of {c.Here.Say(meanG, Measures.FishWeight)} are too large for them"
        );
    }

    private static IEnumerable<Computed> Around(Hunter hunter, int count, SlipContext c)
    {
        foreach (var (_, help) in StandingBarrier.Open([hunter.Key], c.Story!.Health.Barriers).Where(_ => count > 0))
            yield return new(
                "No sound barrier here",
                help.Count == 0 ? hunter.Barrier : string.Join(", or ", help.Select(b => b.Name))
            );
        if (hunter.NightMgL(count, c.Story.Pond.Shape.VolumeM3(c.Story.LevelAt(c.Here.Now).LevelM)) is { } used)
            yield return new(
                "They use in a night",
                $"{QuantityText.Write(used, Measures.Oxygen, c.Here.Hand)} of the oxygen here; they come up with the harvest and have to be sorted out"
            );
    }
}

/// <summary>A barrier was put up, looked over, mended or taken down.</summary>
internal sealed class BarrierSlip : ISlip
{
    private static readonly (string, BarrierWork)[] Work =
    [
        ("put up", BarrierWork.PutUp),
        ("sound", BarrierWork.Sound),
        ("mended", BarrierWork.Mended),
        ("broken", BarrierWork.Broken),
        ("taken down", BarrierWork.TakenDown),
    ];

    private static readonly (string, string)[] Said =
    [
        ("put up", "put up"),
        ("sound", "looked over, sound"),
        ("mended", "found open and mended"),
        ("broken", "found open, not mended yet"),
        ("taken down", "taken down"),
    ];

    public string Key => "barrier";

    public string Title => "Barrier";

    public string Button => "Save";

    public bool OfPond => true;

    public string FactKind => nameof(BarrierChecked);

    public string Section => "health";

    public string Caution => "Work over water with two people. A slack net drowns protected birds and catches boats.";

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var old = c.Old<BarrierChecked>();
        var first = c.Story!.Health.Barriers is [var due, ..] ? due : null;
        return
        [
            .. Lines.When(c),
            c.Choice(
                "Kind",
                "Kind",
                old?.Kind ?? first?.Kind.Key ?? "",
                [.. BarrierKind.All.Select(b => (b.Key, b.Name))]
            ),
            c.Choice(
                "Work",
                "What was done",
                Work.First(w =>
                    w.Item2 == (old?.Work ?? (first is null ? BarrierWork.PutUp : BarrierWork.Sound))
                ).Item1,
                Said
            ),
            c.Quantity("Cost", "Cost", Measures.Price, old?.CostMinor / 100.0)
                .WithHint("building it, or this mend; may stay empty"),
            c.Words("Note", "What was seen", old?.Note ?? ""),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var barrier = form.Choice("Kind", [.. BarrierKind.All.Select(b => (b.Key, b))], "kind", BarrierKind.All[0]);
        var fact = new BarrierChecked(
            c.PondId,
            barrier.Key,
            form.Choice("Work", Work, "kind of work", BarrierWork.Sound),
            StoreLines.Minor(form, "Cost", Measures.Price, 1e6, "0 to 1,000,000, or empty."),
            form.Text("Note")
        );
        return new(
            form.When(),
            [fact],
            $"{c.Story!.Pond.Code} {barrier.Name} {Work.First(w => w.Item2 == fact.Work).Item1}: {fact.Note}".TrimEnd(
                ' ',
                ':'
            ),
            [.. Told(barrier, c)]
        );
    }

    private static IEnumerable<Computed> Told(BarrierKind barrier, SlipContext c)
    {
        yield return new("Keeps off", string.Join(", ", barrier.Against.Select(k => Hunter.Find(k)?.Name ?? k)));
        yield return new("Built and kept", barrier.How);
        if (barrier.Caution.Length > 0)
            yield return new("Mind", barrier.Caution);
        yield return new("Looked over every", $"{c.Here.Count(barrier.EveryDays)} days");
    }
}

/// <summary>A loss that nobody counted, as a range.</summary>
internal sealed class GuessSlip : ISlip
{
    public string Key => "guessed-loss";

    public string Title => "Loss, guessed";

    public string Button => "Save this guess";

    public bool OfPond => true;

    public string FactKind => nameof(LossGuessed);

    public string Section => "stock";

    public string Caution =>
        "A wide honest range is worth more than a narrow wrong one. It moves number, ration and oxygen at once; count the fish when you can.";

    public string? CannotStart(SlipContext c) => Lines.NoFish(c);

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var old = c.Old<LossGuessed>();
        return
        [
            .. Lines.When(c),
            Lines.Batch(c, old?.BatchId),
            c.Quantity("Low", "Lost, at least", Measures.Share, 100 * old?.LowShare),
            c.Quantity("High", "Lost, at most", Measures.Share, 100 * old?.HighShare)
                .WithHint("of the fish that stood"),
            c.Day("Began", "Began on", old?.Began ?? c.Here.Today),
            c.Words("Cause", "Cause", old?.Cause ?? "").WithHint("birds, disease, theft, escape"),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var batch = Lines.ReadBatch(form, c);
        var fact = new LossGuessed(
            c.PondId,
            batch,
            form.Quantity("Low", Measures.Share) / 100,
            form.Quantity("High", Measures.Share) / 100,
            form.Day("Began"),
            form.Text("Cause")
        );
        return new(
            form.When(),
            [fact],
            $"{c.Story!.Pond.Code} lost {form.Text("Low")} to {form.Text("High")} %: {fact.Cause}",
            [.. Told(fact, c)]
        );
    }

    private static IEnumerable<Computed> Told(LossGuessed fact, SlipContext c)
    {
        if (
            !double.IsFinite(fact.LowShare + fact.HighShare)
            || c.Story!.Batches.FirstOrDefault(b => b.Id == fact.BatchId) is not { Stands: > 0 } batch
        )
            yield break;
        var stands = c.Story.Stock.At(batch, c.Here.Today).Count.Value;
        yield return new(
            "That is",
            $"{c.Here.Count(Math.Floor(fact.LowShare * stands))} to {c.Here.Count(Math.Ceiling(fact.HighShare * stands))} of {c.Here.Count(Math.Floor(stands))} fish"
        );
        yield return new(
            "Likely left",
            c.Here.Count(Math.Floor((1 - ((fact.LowShare + fact.HighShare) / 2)) * stands))
        );
    }
}
