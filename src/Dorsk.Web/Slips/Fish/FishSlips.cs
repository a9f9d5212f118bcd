using System.Globalization;
using Dorsk.Core.Growth;
using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;

namespace Dorsk.Web.Slips;

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

    public string Button => "Save";

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
            c.Whole("Count", "Fish", f?.Count.ToString(CultureInfo.InvariantCulture) ?? "")
                .WithHint("or leave it empty and weigh them"),
            c.Quantity("Mass", "Mass of the dead", Measures.Mass, f?.MassKg),
            c.Choice(
                "To",
                "How lost",
                f?.To.ToString() ?? "Dead",
                [("Dead", "found dead"), ("Eaten", "eaten (birds, otters, fish)"), ("Escaped", "escaped")]
            ),
            c.Quantity("FoundShare", "Found, of all that died", Measures.Share, f?.FoundShare * 100)
                .WithHint(
                    $"100 when every dead fish was picked up and counted; empty for the few of a day: {c.Here.Figure(100 * StandingSettings.UsuallyFound(c.Story!.Pond.ByVolume, c.Story.Standing.FirstOrDefault()?.Species), 0)} % is taken"
                ),
            c.Words("Cause", "Suspected cause", f?.Cause ?? ""),
            c.Fold("Sizes, place, look, where the dead go"),
            Picked(c, "Sizes", "Sizes", DeadLook.Sizes, f?.Sizes),
            Picked(c, "Place", "Place in the pond", DeadLook.Places, f?.Place),
            c.Words("Look", "How they look", f?.Look ?? "").WithHint("gills, skin, eyes, belly"),
            Picked(c, "Disposal", "Where the dead go", DeadLook.Disposals, f?.Disposal),
            new SlipField("Photo", "Photo", FieldKind.Photo, f?.Photo ?? ""),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var batch = Lines.ReadBatch(form, c);
        var kg = form.MaybeQuantity("Mass", Measures.Mass);
        var byMass = form.Empty("Count") ? Fish(c, batch, kg) : null;
        var fact = new FishLost(
            c.PondId,
            batch,
            byMass ?? form.Whole("Count", "fish"),
            form.Choice("To", To, "kind of loss", Account.Dead),
            form.Text("Cause")
        )
        {
            FoundShare = form.MaybeQuantity("FoundShare", Measures.Share) / 100,
            MassKg = kg,
            Sizes = form.Text("Sizes"),
            Place = form.Text("Place"),
            Look = form.Text("Look"),
            Disposal = form.Text("Disposal"),
            Photo = form.Text("Photo"),
        };
        return new(
            form.When(),
            [fact],
            $"{c.Story!.Pond.Code} {form.Text("To").ToLowerInvariant()} {form.Text("Count")} {form.Text("Cause")}".Trim(),
            byMass is { } fish ? [new("Fish, by their mean weight", c.Here.Count(fish))] : []
        );
    }

    // Weighed and not counted: by the mean weight that the estimate expects.
    private static int? Fish(SlipContext c, long batch, double? kg) =>
        kg is > 0 and <= 1_000_000 && c.Story!.Stock.On(batch, c.Here.Today)?.MeanG.Value is > 0 and var meanG
            ? (int)Math.Clamp(Math.Round(kg.Value * 1000 / meanG), 1, StockRules.MostFish)
            : null;

    private static SlipField Picked(
        SlipContext c,
        string name,
        string label,
        IReadOnlyList<string> words,
        string? old
    ) => c.Choice(name, label, old ?? "", [("", "not said"), .. words.Select(w => (w, w))]);
}

/// <summary>Fish weighed: casts, or fish by fish.</summary>
internal sealed class SampleSlip : ISlip
{
    public string Key => "sample";

    public string Title => "Sample sheet";

    public string Button => "Save this sample";

    public bool OfPond => true;

    public string FactKind => nameof(FishSampled);

    public string Section => "growth";

    public string Caution => "Keep the net and hands wet; sample in the cool hours, never while oxygen is under watch.";

    public string? CannotStart(SlipContext c) => Lines.NoFish(c);

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<FishSampled>();
        List<SlipField> fields = FieldsOf(c, f);
        for (var i = 1; i <= 3; i++)
        {
            var w =
                f is { Single: false } && f.Weighings.Count >= i
                    ? f.Weighings[i - 1]
                    : default((int Count, double MassG)?);
            fields.Add(c.Whole("N" + i, $"Cast {i}: fish", w?.Count.ToString(CultureInfo.InvariantCulture) ?? ""));
            fields.Add(c.Quantity("M" + i, $"Cast {i}: mass together", Measures.Mass, w?.MassG / 1000));
        }
        fields.Add(c.Heading("Fish by fish"));
        fields.Add(WeightsField(c, f));
        return fields;
    }

    private static SlipField WeightsField(SlipContext c, FishSampled? f) =>
        c.Words(
                "Fish",
                "Weights, one after the other",
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
                    : ""
            )
            .WithHint($"with blanks between: 301 288 314; with length: 301/{c.Here.Figure(27.5, 1)}");

    private static List<SlipField> FieldsOf(SlipContext c, FishSampled? f) =>
        [
            .. Lines.When(c),
            Lines.Batch(c, f?.BatchId),
            c.Choice(
                "Single",
                "Weighed",
                f?.Single == true ? "single" : "casts",
                [("casts", "in seine samples: count and mass of each"), ("single", "fish by fish")]
            ),
            c.Quantity("Radius", "Radius of the cast net", Measures.Length, f?.NetRadiusM)
                .WithHint("empty: a seine or a basket"),
            c.Quantity("Mesh", "Mesh, knot to knot", Measures.Pellet, f?.MeshMm / 1000)
                .WithHint("small fish slip through and lift the average"),
            c.Heading("Casts"),
        ];

    public Filled Read(SlipForm form, SlipContext c)
    {
        var single = form.Text("Single") == "single";
        var (weighings, lengths) = single ? SampleText.Read(form, "Fish", true) : (Casts(form), []);
        if (single && weighings.Count == 0 && !form.Remarks.Any(r => r.Field == "Fish"))
            form.Refuse("Fish", "Type the weights of at least one fish.");
        var fact = new FishSampled(c.PondId, Lines.ReadBatch(form, c), single, weighings)
        {
            LengthsM = lengths,
            NetRadiusM = form.MaybeQuantity("Radius", Measures.Length),
            MeshMm = form.MaybeQuantity("Mesh", Measures.Pellet) * 1000,
            Marks = c.Old<FishSampled>()?.Marks ?? [],
        };
        var good = weighings.Count > 0 && weighings.All(w => w.Count > 0 && w.MassG > 0);
        var typed = string.Join(
            ", ",
            weighings.Select(w => FormattableString.Invariant($"{w.Count} fish {w.MassG / 1000:0.###} kg"))
        );
        return new(form.When(), [fact], $"{c.Story!.Pond.Code} sample {typed}", good ? Means(fact, c) : []);
    }

    private static IEnumerable<Computed> Slipping(FishSampled f, SlipContext c, double meanG)
    {
        if (f.MeshMm is { } mesh && BatchOf(f, c) is { } species && SampleNet.Slipped(species, mesh) is { } g)
            yield return new(
                "Slip through this mesh",
                $"fish under {c.Here.Say(g, Measures.FishWeight)}{(meanG < SampleNet.Near * g ? ": the average is too high, take a finer net" : "")}"
            );
    }

    private static FishSpecies? BatchOf(FishSampled f, SlipContext c) =>
        c.Story!.Batches.FirstOrDefault(b => b.Id == f.BatchId)?.Species;

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
        computed.AddRange(Slipping(f, c, mean.Mean));
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
                form.Refuse("N" + i, $"A sample of {n} fish tells nothing. Type 1 or more, or leave it empty.");
            if (kg <= 0)
                form.Refuse("M" + i, "The mass must be above 0.");
            casts.Add((n, kg * 1000));
        }
        if (casts.Count == 0)
            form.Refuse("N1", "Type at least one sample: how many fish, and their mass together.");
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
        return FieldsOf(c, f);
    }

    private static IReadOnlyList<SlipField> FieldsOf(SlipContext c, FishHarvested? f) =>
        [
            .. Lines.When(c),
            Lines.Batch(c, f?.BatchId),
            c.Choice(
                "To",
                "Where to",
                f?.To.ToString() ?? "Harvested",
                [("Harvested", "harvested"), ("SoldAlive", "sold alive"), ("MovedOff", "moved off the farm")]
            ),
            c.Quantity("Mass", "Mass", Measures.Mass, f?.MassKg),
            c.Whole(
                    "Count",
                    "Fish, if counted",
                    f is { Basis: CountBasis.Counted } ? f.Count.ToString(CultureInfo.InvariantCulture) : ""
                )
                .WithHint("empty: mass by the average weight below"),
            c.Quantity(
                    "MeanWeight",
                    "Average weight in the catch",
                    Measures.FishWeight,
                    f is { Basis: not CountBasis.Counted, Count: > 0 }
                        ? Lines.Plain(c, f.MassKg * 1000 / f.Count, Measures.FishWeight)
                        : ""
                )
                .WithHint("when they were not counted"),
            c.Yes("Final", "Final harvest of this batch", f?.Final == true ? "true" : ""),
            c.Words("DifferenceReason", "Name of the difference, if any", f?.DifferenceReason ?? "")
                .WithHint("birds, dead not found, short count" + Guessed(c)),
        ];

    // A loss that was guessed is what the books close with, once its size is known.
    private static string Guessed(SlipContext c) =>
        string.Concat(
            c.Story!.Standing.SelectMany(b => b.Guesses)
                .Select(g => $"; guessed on {c.Here.Day(c.Here.Zone.DayOf(g.At))}: {g.Fact.Cause}")
        );

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
