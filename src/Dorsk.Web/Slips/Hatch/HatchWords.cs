using System.Globalization;
using Dorsk.Core.Hatchery;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;

namespace Dorsk.Web.Slips;

/// <summary>Words of the hatchery, each once.</summary>
public static class HatchWord
{
    /// <summary>Kinds of vessels.</summary>
    public static readonly IReadOnlyList<(VesselKind Kind, string Word)> Vessels =
    [
        (VesselKind.Trough, "hatching trough"),
        (VesselKind.Jar, "jar"),
        (VesselKind.Tank, "tank"),
        (VesselKind.Pool, "shallow pool"),
        (VesselKind.Nest, "nest in a pond"),
    ];

    /// <summary>What a vessel held before.</summary>
    public static readonly IReadOnlyList<(HeldBefore Held, string Word)> Before =
    [
        (HeldBefore.New, "nothing, it is new"),
        (HeldBefore.Food, "water, fish or food"),
        (HeldBefore.Unknown, "nobody knows"),
        (HeldBefore.Poison, "poison: pesticide, fuel, paint, solvent"),
    ];

    /// <summary>Stages that are seen.</summary>
    public static readonly IReadOnlyList<(EggStage Stage, string Word)> Stages =
    [
        (EggStage.Fresh, "fresh, cleaving"),
        (EggStage.Embryo, "body shows, no eyes yet"),
        (EggStage.Eyed, "eyed"),
        (EggStage.Hatching, "hatching"),
        (EggStage.SacFry, "sac fry"),
        (EggStage.SwimUp, "swim up"),
        (EggStage.FirstFeed, "take feed"),
    ];

    /// <summary>Colours.</summary>
    public static readonly IReadOnlyList<(EggColour Colour, string Word)> Colours =
    [
        .. Enum.GetValues<EggColour>().Select(c => (c, LotWater.Word(c))),
    ];

    /// <summary>How fry behave.</summary>
    public static readonly IReadOnlyList<(FryBehaviour Behaviour, string Word)> Behaviours =
    [
        (FryBehaviour.NotSeen, "not looked at"),
        (FryBehaviour.Spread, "spread through the water, feeding"),
        (FryBehaviour.AtSurface, "at the surface late in the day"),
        (FryBehaviour.Hanging, "hang all day though sound"),
        (FryBehaviour.UnderFilm, "cannot break the surface film"),
        (FryBehaviour.SwimUp, "swim up, school, turn dark"),
    ];

    /// <summary>How the water of a trough moves.</summary>
    public static readonly IReadOnlyList<(TroughMixing Mixing, string Word)> Mixings =
    [
        (TroughMixing.NotSeen, "not looked at"),
        (TroughMixing.Even, "every basket moved gently"),
        (TroughMixing.StillCorner, "still under a basket or in a corner"),
        (TroughMixing.TooSlow, "paddles or air too slow"),
        (TroughMixing.TooStrong, "eggs knocked about"),
    ];

    /// <summary>Forms of the feed of fry.</summary>
    public static readonly IReadOnlyList<(FryFeedForm Form, string Word)> Forms =
    [
        .. Enum.GetValues<FryFeedForm>().Select(f => (f, FryFeedForms.Word(f))),
    ];

    /// <summary>Where animals go that leave a lot.</summary>
    public static readonly IReadOnlyList<(LotExit Exit, string Word)> Exits =
    [
        (LotExit.Dead, "dead, taken out"),
        (LotExit.Cannibals, "cannibals, taken out"),
        (LotExit.Sent, "sent or sold to another farm"),
    ];

    /// <summary>Ways of counting.</summary>
    public static readonly IReadOnlyList<(CountBasis Basis, string Word)> Bases =
    [
        (CountBasis.ByVolume, "by displaced water"),
        (CountBasis.ByWeight, "by weight"),
        (CountBasis.Counted, "one by one"),
        (CountBasis.Assumed, "assumed"),
    ];

    /// <summary>Accounts of the books.</summary>
    public static string Of(LotAccount account) =>
        account switch
        {
            LotAccount.Parents => "collected",
            LotAccount.Eggs => "eggs",
            LotAccount.Larvae => "larvae",
            LotAccount.Fry => "feeding fry",
            LotAccount.Ponds => "kept in ponds",
            LotAccount.Sent => "sent to other farms",
            LotAccount.Dead => "died or did not hatch",
            LotAccount.Cannibals => "cannibals taken out",
            _ => "difference between counts",
        };

    /// <summary>A stage of the clock in words.</summary>
    public static string Of(EggStage stage) => Stages.First(s => s.Stage == stage).Word;

    /// <summary>Choices of an enum by its words.</summary>
    internal static IReadOnlyList<(string, string)> Options<T>(IReadOnlyList<(T Item, string Word)> list)
        where T : struct, Enum => [.. list.Select(x => (x.Item.ToString(), x.Word))];

    /// <summary>Reads one of them.</summary>
    internal static T Read<T>(SlipForm form, string field, IReadOnlyList<(T Item, string Word)> list, string what)
        where T : struct, Enum =>
        form.Choice(field, [.. list.Select(x => (x.Item.ToString(), x.Item))], what, list[0].Item);
}

/// <summary>Lines that slips of the hatchery share.</summary>
internal static class HatchLines
{
    private static string Text(long? n) => n?.ToString(CultureInfo.InvariantCulture) ?? "";

    /// <summary>Lots that hold animals, or the one that is corrected.</summary>
    public static SlipField Lot(SlipContext c, long? old, string name = "Lot") =>
        c.Choice(
            name,
            "Lot",
            Text(old ?? Lots(c, old).Select(l => (long?)l.Lot.LotId).LastOrDefault()),
            [.. Lots(c, old).Select(l => (Text(l.Lot.LotId), Name(c, l)))]
        );

    /// <summary>A lot in words.</summary>
    public static string Name(SlipContext c, LotState l) =>
        $"lot {Text(l.Lot.LotId)}: {c.Here.Count(l.Lot.Count)} {LotStanding.Word(l.Lot.Stage)}, {l.Species.Name.ToLowerInvariant()}, {l.Vessel?.Name}";

    public static List<LotState> Lots(SlipContext c, long? old) =>
        [.. c.Questions.Hatchery(c.Here.Now).Lots.Where(l => l.Lot.Count > 0 || l.Lot.LotId == old)];

    public static long ReadLot(SlipForm form, SlipContext c, long? old, string name = "Lot") =>
        form.Choice(name, [.. Lots(c, old).Select(l => (Text(l.Lot.LotId), l.Lot.LotId))], "lot", 0L);

    /// <summary>The first lot that has hatched; null where there is none.</summary>
    public static long? FirstFry(SlipContext c) =>
        Lots(c, null).Where(l => l.Lot.Stage != LotStage.Eggs).Select(l => (long?)l.Lot.LotId).FirstOrDefault();

    public static string? NoFry(SlipContext c) =>
        c.Corrects is null && FirstFry(c) is null ? "No lot has hatched yet." : null;

    public static string? NoLot(SlipContext c) =>
        c.Corrects is null && Lots(c, null).Count == 0
            ? "No lot holds eggs or fry. Enter the eggs that were taken first."
            : null;

    /// <summary>Vessels in use that hold water, or nests.</summary>
    public static SlipField Vessel(
        SlipContext c,
        string label,
        long? old,
        bool nests,
        string none,
        string name = "Vessel"
    ) => c.Choice(name, label, Text(old), [("", none), .. Vessels(c, nests).Select(v => (Text(v.VesselId), v.Name))]);

    public static long? ReadVessel(SlipForm form, SlipContext c, bool nests, string name = "Vessel") =>
        form.Empty(name)
            ? null
            : form.Choice(
                name,
                [.. Vessels(c, nests).Select(v => (Text(v.VesselId), (long?)v.VesselId))],
                "vessel",
                null
            );

    public static List<VesselDescribed> Vessels(SlipContext c, bool nests) =>
        [
            .. c
                .Questions.Hatchery(c.Here.Now)
                .Vessels.Select(v => v.Vessel)
                .Where(v => !v.Gone && v.Kind == VesselKind.Nest == nests),
        ];

    /// <summary>Ponds in use.</summary>
    public static SlipField Pond(SlipContext c, string label, long? old, string? none = null) =>
        c.Choice(
            "Pond",
            label,
            Text(old),
            [
                .. none is null ? Array.Empty<(string, string)>() : [("", none)],
                .. c.Questions.Ponds().Select(p => (Text(p.Id), p.Code)),
            ]
        );

    public static long? ReadPond(SlipForm form, SlipContext c) =>
        form.Empty("Pond")
            ? null
            : form.Choice("Pond", [.. c.Questions.Ponds().Select(p => (Text(p.Id), (long?)p.Id))], "pond", null);

    /// <summary>A number counted one by one, or by an amount and samples of it.</summary>
    public static IEnumerable<SlipField> Count(SlipContext c, string label, int? old, CountBasis? basis) =>
        [
            c.Choice("Basis", "Counted", (basis ?? CountBasis.ByVolume).ToString(), HatchWord.Options(HatchWord.Bases)),
            c.Whole("Count", label, old).WithHint("empty: worked out from the samples below"),
            c.Quantity("Water", "All of them displace", Measures.SmallVolume),
            c.Quantity("Sample", "One sample displaces", Measures.SmallVolume).WithHint("a spoon, a measuring glass"),
            c.Quantity("Weight", "Or all of them weigh", Measures.FishWeight),
            c.Quantity("SampleWeight", "One sample weighs", Measures.FishWeight),
            c.Words("Counts", "Counted in the samples").WithHint("three samples: 212 198 205"),
        ];

    /// <summary>Reads it: number, half of its 95 % interval in percent, and figures worked out.</summary>
    public static (int Count, CountBasis Basis, double? WithinPct, List<Computed> Told) ReadCount(
        SlipForm form,
        SlipContext c,
        string what
    )
    {
        var basis = HatchWord.Read(form, "Basis", HatchWord.Bases, "way of counting");
        if (!form.Empty("Count"))
            return (form.Whole("Count", what), basis, null, []);
        if (form.Empty("Counts"))
        {
            form.Refuse("Count", $"Type the number of {what}, or samples below.");
            return (0, basis, null, []);
        }
        return BySamples(form, c, basis);
    }

    private static (int Count, CountBasis Basis, double? WithinPct, List<Computed> Told) BySamples(
        SlipForm form,
        SlipContext c,
        CountBasis basis
    )
    {
        var byWeight = !form.Empty("Weight");
        var (whole, each) = byWeight
            ? (form.Quantity("Weight", Measures.FishWeight), form.Quantity("SampleWeight", Measures.FishWeight))
            : (form.Quantity("Water", Measures.SmallVolume), form.Quantity("Sample", Measures.SmallVolume));
        var counts = Samples(form);
        if (counts.Count == 0 || !(whole > 0) || !(each > 0))
        {
            if (whole <= 0 || each <= 0)
                form.Refuse(byWeight ? "Weight" : "Water", "Both amounts above 0.");
            return (0, basis, null, []);
        }
        var number = FishCounting.ByAmount(counts.ConvertAll(n => (n, each)), whole);
        return (
            (int)Math.Min(int.MaxValue, Math.Round(number.Fish)),
            byWeight ? CountBasis.ByWeight : CountBasis.ByVolume,
            number.PlusMinusPct,
            [
                new(
                    "Number",
                    number.Range is { } r
                        ? $"{c.Here.Count(Math.Round(number.Fish))} ({c.Here.Count(Math.Round(r.Low))} to {c.Here.Count(Math.Round(r.High))})"
                        : $"{c.Here.Count(Math.Round(number.Fish))}; three samples would tell how sure it is"
                ),
            ]
        );
    }

    private static List<int> Samples(SlipForm form)
    {
        var counts = new List<int>();
        foreach (var word in form.Text("Counts").Split([' ', ';', '/'], StringSplitOptions.RemoveEmptyEntries))
            if (int.TryParse(word, NumberStyles.None, CultureInfo.InvariantCulture, out var n) && n > 0)
                counts.Add(n);
            else
            {
                form.Refuse(
                    "Counts",
                    $"“{word}” is no number of a sample. Type them with blanks between: 212 198 205."
                );
                return [];
            }
        return counts;
    }
}
