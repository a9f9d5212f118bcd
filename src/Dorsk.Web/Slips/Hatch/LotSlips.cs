using Dorsk.Core.Hatchery;
using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Web.Slips;

/// <summary>Eggs taken: a new lot.</summary>
internal sealed class EggsSlip : ISlip
{
    public string Key => "eggs";

    public string Title => "Eggs taken";

    public string Button => "Save this lot";

    public bool OfPond => false;

    public string FactKind => nameof(EggsTaken);

    public string Section => "";

    public string After => "/hatchery";

    public string Caution =>
        "Guarding males bite hard: a stick first, thick gloves. Lift an egg mass whole, loosen it with a soft blade; never in the sun, no knocks, still water with oxygen, a short way.";

    public string? CannotStart(SlipContext c) =>
        HatchLines.Vessels(c, nests: false).Count == 0
            ? "No trough, jar or tank is described yet. Describe one first."
            : null;

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<EggsTaken>();
        return
        [
            .. Lines.When(c),
            c.Fish("Species", "Fish", f?.SpeciesKey ?? c.Here.AllSpecies[0].Key),
            HatchLines.Vessel(
                c,
                "Into",
                f?.VesselId ?? HatchLines.Vessels(c, false).Select(v => (long?)v.VesselId).FirstOrDefault(),
                false,
                "choose"
            ),
            HatchLines.Vessel(c, "From nest", f?.NestId, true, "no nest", "Nest"),
            c.Words("From", "Parents", f?.From ?? "").WithHint("tags or group of the register"),
            .. HatchLines.Count(c, "Eggs", f?.Count, f?.Basis),
            c.Choice("Colour", "Colour", f?.Colour ?? EggColour.Yellow, HatchWord.Options(HatchWord.Colours)),
            c.Whole("Masses", "Egg masses", f?.Masses).WithHint("empty: loose eggs"),
            c.Yes("WithParents", "The parents are still with them", f?.WithParents == true ? "true" : ""),
            c.Yes("Broken", "The mass came apart", f?.Broken == true ? "true" : ""),
            c.Quantity("Fertile", "Fertile of a sample", Measures.Share, f?.FertilePct)
                .WithHint("looked at under a lens some hours after; empty: nobody looked"),
            c.Quantity("Trough", "Water they go into", Measures.Temperature, f?.TroughC),
            c.Quantity("FromC", "Water they come from", Measures.Temperature, f?.FromC),
            c.Whole(
                "Tempered",
                "Brought over in minutes",
                f is null ? "0" : c.Here.Typed(f.TemperedMin, Measures.Plain)
            ),
            c.Words("Treatment", "Compared by", f?.Treatment ?? "")
                .WithHint("feed, density, age at stocking: what differs between lots"),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var (count, basis, _, told) = HatchLines.ReadCount(form, c, "eggs");
        var species = form.Fish("Species");
        var fact = new EggsTaken(
            c.Old<EggsTaken>()?.LotId ?? 0,
            species.Key,
            HatchLines.ReadVessel(form, c, nests: false) ?? 0,
            HatchLines.ReadVessel(form, c, nests: true, "Nest"),
            form.Text("From"),
            count,
            basis,
            HatchWord.Read(form, "Colour", HatchWord.Colours, "colour"),
            form.Yes("Broken")
        )
        {
            FertilePct = form.MaybeQuantity("Fertile", Measures.Share),
            TroughC = form.Quantity("Trough", Measures.Temperature),
            FromC = form.MaybeQuantity("FromC", Measures.Temperature),
            TemperedMin = form.MaybeWhole("Tempered", "minutes") ?? 0,
            Treatment = form.Text("Treatment"),
            Masses = form.MaybeWhole("Masses", "egg masses"),
            WithParents = form.Yes("WithParents"),
        };
        told.AddRange(Told(c, fact));
        if (EggTable.For(species) is null)
            form.Refuse("Species", "The tables know nothing of these eggs: no clock can be kept.");
        return new(form.When(), [fact], $"eggs {c.Here.Count(count)} {species.Name}", told);
    }

    private static IEnumerable<Computed> Told(SlipContext c, EggsTaken e)
    {
        if (e.FromC is { } from && EggsTaken.TemperMinutes(from, e.TroughC) is > 0 and var minutes)
            yield return new("Bring them over in", $"{c.Here.Count(minutes)} minutes at least");
        if (e.Masses is > 0 and var masses)
            yield return new("Baskets", c.Here.Count(EggRoom.BasketsFor(masses)));
        if (e.FertilePct is { } pct)
            yield return new("Fertile eggs", c.Here.Count(Math.Round(e.Count * pct / 100)));
        if (
            Core.Species.FishSpecies.Find(e.SpeciesKey) is { } fish
            && EggTable.For(fish) is { } table
            && e.TroughC > table.BaseC
        )
            yield return new(
                "Hatch in about",
                $"{c.Here.Count(Math.Round(table.HoursAt(e.TroughC)))} hours at that temperature; {EggClock.Band(table, e.TroughC).Reason}"
            );
    }
}

/// <summary>A look at a lot.</summary>
internal sealed class LotLookSlip : ISlip
{
    public string Key => "lot-look";

    public string Title => "Look at a lot";

    public string Button => "Save this look";

    public bool OfPond => false;

    public string FactKind => nameof(LotLooked);

    public string Section => "";

    public string After => "/hatchery";

    public string? CannotStart(SlipContext c) => HatchLines.NoLot(c);

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<LotLooked>();
        return
        [
            .. Lines.When(c),
            HatchLines.Lot(c, f?.LotId),
            c.Quantity("Temp", "Temperature", Measures.Temperature, f?.TempC),
            c.Quantity("Oxygen", "Oxygen", Measures.Oxygen, f?.DoMgL),
            c.Quantity("Ph", "pH", Measures.Ph, f?.Ph),
            c.Choice(
                "Seen",
                "Stage that is seen",
                f?.Seen?.ToString() ?? "",
                [("", "not looked at"), .. HatchWord.Options(HatchWord.Stages)]
            ),
            c.Choice("Colour", "Colour", f?.Colour ?? EggColour.NotSeen, HatchWord.Options(HatchWord.Colours)),
            c.Quantity("Fungus", "Under fungus", Measures.Share, f?.FungusPct),
            c.Whole("Deformed", "Of 20 fry, deformed", f?.DeformedOf20),
            c.Choice(
                "Behaviour",
                "How fry behave",
                f?.Behaviour ?? FryBehaviour.NotSeen,
                HatchWord.Options(HatchWord.Behaviours)
            ),
            c.Choice(
                "Mixing",
                "Water under the baskets",
                f?.Mixing ?? TroughMixing.NotSeen,
                HatchWord.Options(HatchWord.Mixings)
            ),
            c.Yes("Siphoned", "Floor siphoned", f?.Siphoned == true ? "true" : ""),
            c.Quantity("Changed", "Water changed", Measures.Share, f?.ChangedPct),
            c.Whole("Light", "Light, lux", f?.LightLux is { } lux ? (long)lux : null),
            c.Words("Given", "Given or done", f?.Given ?? "").WithHint("leaf brew, probiotic, clay; as the label says"),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var fact = new LotLooked(
            HatchLines.ReadLot(form, c, c.Old<LotLooked>()?.LotId),
            form.MaybeQuantity("Temp", Measures.Temperature),
            form.MaybeQuantity("Oxygen", Measures.Oxygen),
            form.MaybeQuantity("Ph", Measures.Ph),
            form.Empty("Seen") ? null : HatchWord.Read(form, "Seen", HatchWord.Stages, "stage"),
            HatchWord.Read(form, "Colour", HatchWord.Colours, "colour"),
            form.MaybeQuantity("Fungus", Measures.Share),
            form.MaybeWhole("Deformed", "fry")
        )
        {
            Siphoned = form.Yes("Siphoned"),
            ChangedPct = form.MaybeQuantity("Changed", Measures.Share),
            Behaviour = HatchWord.Read(form, "Behaviour", HatchWord.Behaviours, "behaviour"),
            Mixing = form.Empty("Mixing")
                ? TroughMixing.NotSeen
                : HatchWord.Read(form, "Mixing", HatchWord.Mixings, "mixing"),
            LightLux = form.MaybeWhole("Light", "lux"),
            Given = form.Text("Given"),
        };
        var lot = HatchLines.Lots(c, fact.LotId).Find(l => l.Lot.LotId == fact.LotId);
        return new(
            form.When(),
            [fact],
            $"lot {fact.LotId} look",
            lot is null
                ? []
                :
                [
                    .. new LotWater(lot.Species, lot.Table, c.Here.Hand)
                        .Of(lot.Lot.Stage, fact, lot.Vessel)
                        .Where(j => j.Status >= Status.Watch)
                        .Select(j => new Computed("Finding", j.Reason)),
                ]
        );
    }
}

/// <summary>A lot counted.</summary>
internal sealed class LotCountSlip : ISlip
{
    private static readonly (LotStage Stage, string Word)[] Stages =
    [
        (LotStage.Eggs, "eggs"),
        (LotStage.Larvae, "larvae: hatched"),
        (LotStage.Fry, "feeding fry"),
    ];

    public string Key => "lot-count";

    public string Title => "Count a lot";

    public string Button => "Save this count";

    public bool OfPond => false;

    public string FactKind => nameof(LotCounted);

    public string Section => "";

    public string After => "/hatchery";

    public string? CannotStart(SlipContext c) => HatchLines.NoLot(c);

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<LotCounted>();
        return
        [
            .. Lines.When(c),
            HatchLines.Lot(c, f?.LotId),
            c.Choice("Stage", "What they are now", f?.Stage ?? LotStage.Larvae, HatchWord.Options(Stages)),
            .. HatchLines.Count(c, "How many", f?.Count, f?.Basis),
            c.Words("Reason", "Why it differs from the books", f?.Reason ?? ""),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var id = HatchLines.ReadLot(form, c, c.Old<LotCounted>()?.LotId);
        var (count, basis, within, told) = HatchLines.ReadCount(form, c, "animals");
        var fact = new LotCounted(id, HatchWord.Read(form, "Stage", Stages, "stage"), count, basis, form.Text("Reason"))
        {
            PlusMinusPct = within ?? (c.Old<LotCounted>() is { } old && old.Count == count ? old.PlusMinusPct : null),
        };
        if (HatchLines.Lots(c, id).Find(l => l.Lot.LotId == id) is { Lot.Count: > 0 } lot && count > 0)
            told.Add(new("Of those on the books", $"{c.Here.Figure(100.0 * count / lot.Lot.Count, 0)} %"));
        return new(form.When(), [fact], $"lot {id} counted {c.Here.Count(count)}", told);
    }
}

/// <summary>A lot or a part of it into another vessel.</summary>
internal sealed class LotMoveSlip : ISlip
{
    public string Key => "lot-move";

    public string Title => "Move or split a lot";

    public string Button => "Move them";

    public bool OfPond => false;

    public string FactKind => nameof(LotMoved);

    public string Section => "";

    public string After => "/hatchery";

    public string Caution =>
        "Both waters alike first, in temperature, pH and oxygen. In a dish under water, never in a dry net: sac fry tear.";

    public string? CannotStart(SlipContext c) => HatchLines.NoLot(c);

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<LotMoved>();
        return
        [
            .. Lines.When(c),
            HatchLines.Lot(c, f?.FromLotId),
            HatchLines.Vessel(c, "Into", f?.VesselId, false, "choose"),
            c.Whole("Count", "How many", f?.Count).WithHint("empty: all of them; a part becomes a lot of its own"),
            c.Quantity("FromC", "Water they leave", Measures.Temperature, f?.FromC),
            c.Quantity("ToC", "Water they enter", Measures.Temperature, f?.ToC),
            c.Words("Treatment", "The part is compared by", f?.Treatment ?? ""),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var old = c.Old<LotMoved>();
        var from = HatchLines.ReadLot(form, c, old?.FromLotId);
        var count = form.MaybeWhole("Count", "animals");
        var fact = new LotMoved(
            old?.LotId ?? (count is null ? from : 0),
            from,
            HatchLines.ReadVessel(form, c, nests: false) ?? 0,
            count
        )
        {
            FromC = form.Quantity("FromC", Measures.Temperature),
            ToC = form.Quantity("ToC", Measures.Temperature),
            Treatment = form.Text("Treatment"),
        };
        if (old is not null && old.Count is null != count is null)
            form.Refuse(
                "Count",
                "A move of all stays one, a part stays a part: take this line back and enter it anew."
            );
        return new(form.When(), [fact], $"lot {from} moved", [.. Split(c, from)]);
    }

    // What each of the vessels that are free would get of it by their volumes.
    private static IEnumerable<Computed> Split(SlipContext c, long from)
    {
        var story = c.Questions.Hatchery(c.Here.Now);
        if (story.Lots.FirstOrDefault(l => l.Lot.LotId == from) is not { } lot)
            yield break;
        var used = story.Standing.Where(l => l.Lot.LotId != from).Select(l => l.Lot.VesselId).ToHashSet();
        var free = HatchLines.Vessels(c, nests: false).Where(v => v.WaterM3 > 0 && !used.Contains(v.VesselId)).ToList();
        if (free.Count < 2)
            yield break;
        var parts = FryTank.Split(lot.Lot.Count, [.. free.Select(v => v.WaterM3)]);
        yield return new(
            "Split by volume",
            string.Join(", ", free.Zip(parts).Select(x => $"{x.First.Name} {c.Here.Count(x.Second)}"))
        );
    }
}

/// <summary>Animals that leave a lot.</summary>
internal sealed class LotLeftSlip : ISlip
{
    public string Key => "lot-left";

    public string Title => "Out of a lot";

    public string Button => "Take them out";

    public bool OfPond => false;

    public string FactKind => nameof(LotLeft);

    public string Section => "";

    public string After => "/hatchery";

    public string? CannotStart(SlipContext c) => HatchLines.NoLot(c);

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<LotLeft>();
        return
        [
            .. Lines.When(c),
            HatchLines.Lot(c, f?.LotId),
            c.Choice("To", "They are", f?.To ?? LotExit.Dead, HatchWord.Options(HatchWord.Exits)),
            c.Whole("Count", "How many", f?.Count),
            c.Words("Where", "Whom to, or what was seen", f?.Where ?? ""),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var fact = new LotLeft(
            HatchLines.ReadLot(form, c, c.Old<LotLeft>()?.LotId),
            form.Whole("Count", "animals"),
            HatchWord.Read(form, "To", HatchWord.Exits, "way"),
            form.Text("Where")
        );
        return new(form.When(), [fact], $"lot {fact.LotId} out {c.Here.Count(fact.Count)}", []);
    }
}

/// <summary>A meal of fry.</summary>
internal sealed class FryFeedSlip : ISlip
{
    public string Key => "fry-feed";

    public string Title => "Feed the fry";

    public string Button => "Save this meal";

    public bool OfPond => false;

    public string FactKind => nameof(FryFed);

    public string Section => "";

    public string After => "/hatchery";

    public string? CannotStart(SlipContext c) => HatchLines.NoFry(c);

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<FryFed>();
        var last = c.Questions.Hatchery(c.Here.Now).Lots.SelectMany(l => l.Fed).OrderBy(x => x.At).LastOrDefault().Meal;
        return
        [
            .. Lines.When(c),
            HatchLines.Lot(c, f?.LotId ?? HatchLines.FirstFry(c)),
            c.Words("Feed", "Feed", f?.Feed ?? last?.Feed ?? "").WithHint("liquid feed, powder, live food"),
            c.Choice(
                "Form",
                "Its form",
                f?.Form ?? last?.Form ?? FryFeedForm.NotSaid,
                HatchWord.Options(HatchWord.Forms)
            ),
            c.Quantity("Protein", "Its protein", Measures.Share, f?.ProteinPct ?? last?.ProteinPct)
                .WithHint("by the label"),
            c.Quantity("Grams", "How much", Measures.FishWeight, f?.Grams ?? last?.Grams),
            c.Choice(
                "Score",
                "How they came",
                f?.Score?.ToString(System.Globalization.CultureInfo.InvariantCulture) ?? "",
                [
                    ("", "not watched"),
                    ("0", "0: none came"),
                    ("1", "1: few"),
                    ("2", "2: slowly"),
                    ("3", "3: brisk, all gone"),
                    ("4", "4: at once, all gone"),
                ]
            ),
            c.Choice(
                "Where",
                "Where they took it",
                f?.Where ?? "",
                [("", "not noted"), .. FryFed.Places.Select(p => (p, p))]
            ),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var fact = new FryFed(
            HatchLines.ReadLot(form, c, c.Old<FryFed>()?.LotId),
            form.Text("Feed"),
            form.Quantity("Grams", Measures.FishWeight),
            form.Empty("Score")
                ? null
                : form.Choice<int?>("Score", [("0", 0), ("1", 1), ("2", 2), ("3", 3), ("4", 4)], "score", null),
            form.Text("Where")
        )
        {
            Form = form.Empty("Form") ? FryFeedForm.NotSaid : HatchWord.Read(form, "Form", HatchWord.Forms, "form"),
            ProteinPct = form.MaybeQuantity("Protein", Measures.Share),
        };
        var lot = HatchLines.Lots(c, fact.LotId).Find(l => l.Lot.LotId == fact.LotId);
        List<Computed> told = lot is null
            ? []
            : [.. FryFeedForms.Judge(lot.Species, lot.AgeDays, fact).Select(j => new Computed("Feed", j.Reason))];
        return new(form.When(), [fact], $"lot {fact.LotId} fed {form.Text("Grams")}", told);
    }
}
