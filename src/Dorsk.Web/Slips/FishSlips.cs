using System.Globalization;
using Dorsk.Core.Growth;
using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;

namespace Dorsk.Web.Slips;

/// <summary>Fingerlings into a pond.</summary>
internal sealed class StockSlip : ISlip
{
    private static readonly (string, CountBasis)[] Bases =
    [
        ("ByWeight", CountBasis.ByWeight),
        ("Counted", CountBasis.Counted),
        ("ByVolume", CountBasis.ByVolume),
        ("Assumed", CountBasis.Assumed),
    ];

    public string Key => "stock";

    public Permission Needs => Permission.Manage;

    public string Title => "Stocking slip";

    public string Button => "Stock them";

    public bool OfPond => true;

    public string FactKind => nameof(FishStocked);

    public string Section => "stock";

    public string Caution => "Non-native fish need a licence and escape screens in many places: check before you buy.";

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<FishStocked>();
        return
        [
            .. Lines.When(c),
            new(
                "Species",
                "Fish",
                FieldKind.Choice,
                f?.SpeciesKey ?? "silver_perch",
                Options: FishSpecies.All.Select(s => (s.Key, s.Name)).ToList()
            ),
            new("Origin", "From", FieldKind.Words, f?.Origin ?? "", Hint: "hatchery or supplier"),
            new("Count", "How many", FieldKind.Whole, f?.Count.ToString(CultureInfo.InvariantCulture) ?? ""),
            new(
                "Basis",
                "Counted how",
                FieldKind.Choice,
                f?.Basis.ToString() ?? "ByWeight",
                Options:
                [
                    ("ByWeight", "by weight, ± 5 %"),
                    ("Counted", "one by one, ± 2 %"),
                    ("ByVolume", "by volume, ± 5 %"),
                    ("Assumed", "assumed"),
                ]
            ),
            new(
                "MeanWeight",
                "Average weight",
                FieldKind.Quantity,
                Lines.Plain(c, f?.MeanG, Measures.FishWeight),
                Measures.FishWeight
            ),
            new(
                "Target",
                "Weight wanted at harvest",
                FieldKind.Quantity,
                Lines.Plain(c, f?.TargetG, Measures.FishWeight),
                Measures.FishWeight,
                "empty: market size of the species"
            ),
            new(
                "NotReadyReason",
                "Why now, if not declared ready",
                FieldKind.Words,
                f?.NotReadyReason ?? "",
                Hint: "kept with the batch"
            ),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var count = form.Whole("Count", "fish");
        var mean = form.Quantity("MeanWeight", Measures.FishWeight);
        var fact = new FishStocked(
            c.PondId,
            form.Text("Species"),
            form.Text("Origin"),
            count,
            mean,
            form.Choice("Basis", Bases, "way of counting", CountBasis.ByWeight),
            form.Text("NotReadyReason"),
            form.MaybeQuantity("Target", Measures.FishWeight)
        );
        var pond = c.Story!.Pond;
        var kg = count * mean / 1000;
        List<Computed> computed =
            double.IsFinite(kg) && count > 0
                ?
                [
                    new("Together", c.Here.Say(kg, Measures.Mass)),
                    pond.ByVolume
                        ? new("Density", c.Here.Say(kg / pond.Shape.FullVolumeM3, Measures.VolumeLoad))
                        : new("Density", $"{c.Here.Figure(count / pond.Shape.FullAreaM2, 2)} fish per m²"),
                ]
                : [];
        return new(
            form.When(),
            [fact],
            $"{pond.Code} stocked {form.Text("Count")} x {form.Text("MeanWeight")} {form.Text("Species").Replace('_', ' ')}",
            computed
        );
    }
}

/// <summary>Fish found dead, eaten or escaped.</summary>
internal sealed class LossSlip : ISlip
{
    private static readonly (string, Account)[] To =
    [
        ("Dead", Account.Dead),
        ("Eaten", Account.Eaten),
        ("Escaped", Account.Escaped),
    ];

    public string Key => "deaths";

    public string Title => "Deaths and losses";

    public string Button => "Keep";

    public bool OfPond => true;

    public string FactKind => nameof(FishLost);

    public string Section => "stock";

    public string Caution =>
        "Many dead at once: look at the water first. Some fish diseases must be reported; ask a vet.";

    public string? CannotStart(SlipContext c) => Lines.NoFish(c);

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<FishLost>();
        return
        [
            .. Lines.When(c),
            Lines.Batch(c, f?.BatchId),
            new("Count", "Fish", FieldKind.Whole, f?.Count.ToString(CultureInfo.InvariantCulture) ?? ""),
            new(
                "To",
                "Cause",
                FieldKind.Choice,
                f?.To.ToString() ?? "Dead",
                Options: [("Dead", "found dead"), ("Eaten", "eaten (birds, otters, fish)"), ("Escaped", "escaped")]
            ),
            new(
                "FoundShare",
                "Found, of all that died",
                FieldKind.Quantity,
                Lines.Plain(c, f?.FoundShare * 100, Measures.Share),
                Measures.Share,
                $"100 when every dead fish was picked up and counted; empty for the few of a day: {c.Here.Figure(100 * StandingSettings.UsuallyFound(c.Story!.Pond.ByVolume), 0)} % is taken"
            ),
            new("Cause", "What you saw", FieldKind.Words, f?.Cause ?? "", Hint: "gills, skin, place"),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c) =>
        new(
            form.When(),
            [
                new FishLost(
                    c.PondId,
                    Lines.ReadBatch(form, c),
                    form.Whole("Count", "fish"),
                    form.Choice("To", To, "kind of loss", Account.Dead),
                    form.Text("Cause")
                )
                {
                    FoundShare = form.MaybeQuantity("FoundShare", Measures.Share) / 100,
                },
            ],
            $"{c.Story!.Pond.Code} {form.Text("To").ToLowerInvariant()} {form.Text("Count")} {form.Text("Cause")}".Trim(),
            []
        );
}

/// <summary>Fish weighed: casts, or fish by fish.</summary>
internal sealed class SampleSlip : ISlip
{
    public string Key => "sample";

    public string Title => "Sample sheet";

    public string Button => "Keep this sample";

    public bool OfPond => true;

    public string FactKind => nameof(FishSampled);

    public string Section => "growth";

    public string Caution => "Keep the net and hands wet; sample in the cool hours, never while oxygen is under watch.";

    public string? CannotStart(SlipContext c) => Lines.NoFish(c);

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<FishSampled>();
        List<SlipField> fields =
        [
            .. Lines.When(c),
            Lines.Batch(c, f?.BatchId),
            new(
                "Single",
                "Weighed",
                FieldKind.Choice,
                f?.Single == true ? "single" : "casts",
                Options: [("casts", "in casts: count and mass of each"), ("single", "fish by fish")]
            ),
            new("", "Casts", FieldKind.Heading),
        ];
        for (var i = 1; i <= 3; i++)
        {
            var w =
                f is { Single: false } && f.Weighings.Count >= i
                    ? f.Weighings[i - 1]
                    : default((int Count, double MassG)?);
            fields.Add(
                new("N" + i, $"Cast {i}: fish", FieldKind.Whole, w?.Count.ToString(CultureInfo.InvariantCulture) ?? "")
            );
            fields.Add(
                new(
                    "M" + i,
                    $"Cast {i}: mass together",
                    FieldKind.Quantity,
                    Lines.Plain(c, w?.MassG / 1000, Measures.Mass),
                    Measures.Mass
                )
            );
        }
        fields.Add(new("", "Fish by fish", FieldKind.Heading));
        fields.Add(
            new(
                "Fish",
                "Weights, one after the other",
                FieldKind.Words,
                f is { Single: true }
                    ? string.Join(
                        "  ",
                        f.Weighings.Select(
                            (w, i) =>
                                Lines.Plain(c, w.MassG, Measures.FishWeight)
                                + (
                                    f.LengthsM.ElementAtOrDefault(i) is { } l
                                        ? "/" + Lines.Plain(c, l, Measures.ShortLength)
                                        : ""
                                )
                        )
                    )
                    : "",
                Hint: "with blanks between: 301 288 314; with length: 301/27.5"
            )
        );
        return fields;
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var single = form.Text("Single") == "single";
        var (weighings, lengths) = single ? SampleText.Read(form, "Fish", true) : (Casts(form), []);
        if (single && weighings.Count == 0 && !form.Remarks.Any(r => r.Field == "Fish"))
            form.Refuse("Fish", "Type the weights of at least one fish.");
        var fact = new FishSampled(c.PondId, Lines.ReadBatch(form, c), single, weighings)
        {
            LengthsM = lengths,
            Marks = c.Old<FishSampled>()?.Marks ?? [],
        };
        var good = weighings.Count > 0 && weighings.All(w => w.Count > 0 && w.MassG > 0);
        var typed = string.Join(
            ", ",
            weighings.Select(w => FormattableString.Invariant($"{w.Count} fish {w.MassG / 1000:0.###} kg"))
        );
        return new(form.When(), [fact], $"{c.Story!.Pond.Code} sample {typed}", good ? Means(fact, c) : []);
    }

    private static List<Computed> Means(FishSampled f, SlipContext c)
    {
        var mean = f.Single
            ? SampleStatistics.Individual(f.Weighings.Select(w => w.MassG).ToList())
            : SampleStatistics.Bulk(f.Weighings);
        List<Computed> computed =
        [
            new("Fish weighed", c.Here.Count(mean.Count)),
            new("Average", c.Here.Say(mean.Mean, Measures.FishWeight)),
        ];
        if (mean.Range is { } r)
            computed.Add(
                new(
                    "95 % range of the average",
                    $"{c.Here.Say(Math.Max(0, r.Low), Measures.FishWeight)} to {c.Here.Say(r.High, Measures.FishWeight)}"
                )
            );
        if (mean.CvPct is { } cv)
            computed.Add(
                new(
                    "Spread between fish",
                    $"{c.Here.Figure(cv, 0)} %; for ± 5 % weigh {SampleStatistics.FishFor(cv, 5)} fish"
                )
            );
        return computed;
    }

    private static List<(int Count, double MassG)> Casts(SlipForm form)
    {
        var casts = new List<(int Count, double MassG)>();
        for (var i = 1; i <= 3; i++)
        {
            if (form.Empty("N" + i) && form.Empty("M" + i))
                continue;
            var n = form.Whole("N" + i, "fish");
            var kg = form.Quantity("M" + i, Measures.Mass);
            if (n < 1 && !form.Remarks.Any(r => r.Field == "N" + i))
                form.Refuse("N" + i, $"A cast of {n} fish tells nothing. Type 1 or more, or leave the cast empty.");
            if (kg <= 0)
                form.Refuse("M" + i, "The mass must be above 0.");
            casts.Add((n, kg * 1000));
        }
        if (casts.Count == 0)
            form.Refuse("N1", "Type at least one cast: how many fish, and their mass together.");
        return casts;
    }
}

/// <summary>Fish taken out: part of them, or all.</summary>
internal sealed class HarvestSlip : ISlip
{
    private static readonly (string, Account)[] To =
    [
        ("Harvested", Account.Harvested),
        ("SoldAlive", Account.SoldAlive),
        ("MovedOff", Account.MovedOff),
    ];

    public string Key => "harvest";

    public Permission Needs => Permission.Manage;

    public string Title => "Harvest slip";

    public string Button => "Book this harvest";

    public bool OfPond => true;

    public string FactKind => nameof(FishHarvested);

    public string Section => "harvest";

    public string Caution =>
        "Heavy loads on wet banks; keep withdrawal times of any treatment; kill humanely by local rules.";

    public string? CannotStart(SlipContext c) => Lines.NoFish(c);

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<FishHarvested>();
        return
        [
            .. Lines.When(c),
            Lines.Batch(c, f?.BatchId),
            new(
                "To",
                "Where to",
                FieldKind.Choice,
                f?.To.ToString() ?? "Harvested",
                Options: [("Harvested", "harvested"), ("SoldAlive", "sold alive"), ("MovedOff", "moved off the farm")]
            ),
            new("Mass", "Mass", FieldKind.Quantity, Lines.Plain(c, f?.MassKg, Measures.Mass), Measures.Mass),
            new(
                "Count",
                "Fish, if counted",
                FieldKind.Whole,
                f is { Basis: CountBasis.Counted } ? f.Count.ToString(CultureInfo.InvariantCulture) : "",
                Hint: "empty: mass by the average weight below"
            ),
            new(
                "MeanWeight",
                "Average weight in the catch",
                FieldKind.Quantity,
                f is { Basis: not CountBasis.Counted, Count: > 0 }
                    ? Lines.Plain(c, f.MassKg * 1000 / f.Count, Measures.FishWeight)
                    : "",
                Measures.FishWeight,
                "when they were not counted"
            ),
            new("Final", "The pond is empty of this batch", FieldKind.Yes, f?.Final == true ? "true" : ""),
            new(
                "DifferenceReason",
                "Name of the difference, if any",
                FieldKind.Words,
                f?.DifferenceReason ?? "",
                Hint: "birds, dead not found, short count"
            ),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var kg = form.Quantity("Mass", Measures.Mass);
        var counted = !form.Empty("Count");
        var count = counted ? form.Whole("Count", "fish") : 0;
        if (!counted)
        {
            var mean = form.Quantity("MeanWeight", Measures.FishWeight);
            if (mean <= 0)
                form.Refuse("MeanWeight", "The average weight must be above 0.");
            else if (double.IsFinite(kg / mean))
                count = (int)Math.Clamp(Math.Round(kg * 1000 / mean), 0, int.MaxValue);
        }
        var batch = Lines.ReadBatch(form, c);
        var fact = new FishHarvested(
            c.PondId,
            batch,
            count,
            kg,
            counted ? CountBasis.Counted : CountBasis.ByWeight,
            form.Choice("To", To, "destination", Account.Harvested),
            form.Yes("Final"),
            form.Text("DifferenceReason")
        );
        var stands = c.Story!.Batches.FirstOrDefault(b => b.Id == batch)?.Stands ?? 0;
        List<Computed> computed =
            count > 0 && double.IsFinite(kg)
                ?
                [
                    new("Fish", c.Here.Count(count)),
                    new("Average", c.Here.Say(kg * 1000 / count, Measures.FishWeight)),
                    new("On the books before", c.Here.Count(stands)),
                ]
                : [];
        return new(
            form.When(),
            [fact],
            $"{c.Story.Pond.Code} {form.Text("To").ToLowerInvariant()} {form.Text("Mass")} {form.Text("Count")} {(fact.Final ? "emptied" : "")}".Trim(),
            computed
        );
    }
}
