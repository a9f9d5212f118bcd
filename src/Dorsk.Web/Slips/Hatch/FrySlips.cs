using Dorsk.Core.Hatchery;
using Dorsk.Core.People;
using Dorsk.Core.Units;

namespace Dorsk.Web.Slips;

/// <summary>A feeder over a vessel of fry, set and its dose weighed.</summary>
internal sealed class FryFeederSlip : ISlip
{
    public string Key => "fry-feeder";

    public string Title => "Feeder of fry";

    public string Button => "Save the feeder";

    public bool OfPond => false;

    public string FactKind => nameof(FryFeederSet);

    public string Section => "";

    public string After => "/hatchery";

    public string Caution =>
        "Two of the day's meals are watched all the same: a feeder never sees that fry have stopped feeding.";

    public string? CannotStart(SlipContext c) => HatchLines.NoFry(c);

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<FryFeederSet>();
        return
        [
            .. Lines.When(c),
            HatchLines.Lot(c, f?.LotId ?? HatchLines.FirstFry(c)),
            c.Whole("Every", "A dose every so many minutes", f?.EveryMin ?? 5).WithHint("0: taken off"),
            c.Quantity("Dose", "Dose it is set to", Measures.FishWeight, f?.DoseG),
            c.Quantity("Weighed", "A dose as weighed", Measures.FishWeight, f?.WeighedG)
                .WithHint("catch ten doses in a cup, weigh them, divide by ten"),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var every = form.Whole("Every", "minutes");
        var fact = new FryFeederSet(
            HatchLines.ReadLot(form, c, c.Old<FryFeederSet>()?.LotId),
            every,
            every == 0
                ? form.MaybeQuantity("Dose", Measures.FishWeight) ?? 0
                : form.Quantity("Dose", Measures.FishWeight),
            form.MaybeQuantity("Weighed", Measures.FishWeight)
        );
        List<Computed> told = [];
        if (fact is { EveryMin: > 0, DoseG: > 0 })
        {
            told.Add(new("Feed of a day", c.Here.Say(fact.DayG, Measures.FishWeight)));
            told.Add(new("Rhythm", FryFeeder.Often(fact).Reason));
            told.Add(new("Dose", FryFeeder.Dose(fact, c.Here.Hand).Reason));
        }
        return new(form.When(), [fact], $"lot {fact.LotId} feeder", told);
    }
}

/// <summary>Weight that the fry of a pond are to have on a day.</summary>
internal sealed class FryTargetSlip : ISlip
{
    public string Key => "fry-target";

    public Permission Needs => Permission.Manage;

    public string Title => "Target of the fry";

    public string Button => "Save the target";

    public bool OfPond => false;

    public string FactKind => nameof(FryTarget);

    public string Section => "";

    public string After => "/hatchery";

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<FryTarget>();
        return
        [
            HatchLines.Pond(c, "Pond", f?.PondId),
            c.Day("On", "On", f?.On ?? c.Here.Today.AddDays(21)),
            c.Quantity("Weight", "They are to weigh", Measures.FishWeight, f?.WeightG),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c) =>
        new(
            c.Corrects?.Row.Happened ?? c.Here.Now,
            [
                new FryTarget(
                    HatchLines.ReadPond(form, c) ?? 0,
                    form.Day("On"),
                    form.Quantity("Weight", Measures.FishWeight)
                ),
            ],
            "target of fry",
            []
        );
}

/// <summary>A trial with live prey, and marked fish caught again.</summary>
internal sealed class ReleaseTrialSlip : ISlip
{
    public string Key => "release-trial";

    public string Title => "Trial for open water";

    public string Button => "Save the trial";

    public bool OfPond => false;

    public string FactKind => nameof(ReleaseTrial);

    public string Section => "";

    public string After => "/hatchery";

    public string Caution =>
        "Fish go into open water only with the permit of the authority, healthy, and of a kind that lives there already.";

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<ReleaseTrial>();
        return
        [
            .. Lines.When(c),
            c.Fish("Species", "Fish", f?.SpeciesKey ?? c.Here.AllSpecies[0].Key),
            c.Words("Water", "Which water", f?.Water ?? ""),
            c.Heading("Pellet-raised fish on live prey"),
            c.Whole("Tried", "Fish tried", f?.Tried),
            c.Whole("Took", "Took live prey", f?.Took),
            c.Whole("Hours", "Within hours", f is null ? "24" : c.Here.Typed(f.Hours, Measures.Plain)),
            c.Heading("Mark and return"),
            c.Whole("Marked", "Marked and let go", f?.Marked),
            c.Whole("Caught", "Caught later", f?.Caught),
            c.Whole("Again", "Marked among them", f?.Again),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var fact = new ReleaseTrial(
            form.Fish("Species").Key,
            form.Text("Water"),
            form.MaybeWhole("Tried", "fish") ?? 0,
            form.MaybeWhole("Took", "fish") ?? 0,
            form.MaybeWhole("Hours", "hours") ?? 0,
            form.MaybeWhole("Marked", "fish") ?? 0,
            form.MaybeWhole("Caught", "fish") ?? 0,
            form.MaybeWhole("Again", "fish") ?? 0
        );
        List<Computed> told = [];
        if (form.Remarks.Count == 0 && !fact.Check().Any())
        {
            if (fact.Answer(c.Here.Hand) is { } answer)
                told.Add(new("Open water", answer.Reason));
            if (fact.InWater is { } there)
                told.Add(
                    new(
                        "Fish in the water",
                        $"{c.Here.Count(Math.Round(there.Fish))} ({c.Here.Count(Math.Round(there.Low))} to {c.Here.Count(Math.Round(there.High))})"
                    )
                );
        }
        return new(form.When(), [fact], $"trial for {fact.Water}", told);
    }
}
