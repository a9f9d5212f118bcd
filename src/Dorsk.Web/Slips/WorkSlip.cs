using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Units;

namespace Dorsk.Web.Slips;

/// <summary>Work and findings at a pond.</summary>
internal sealed class WorkSlip : ISlip
{
    private static readonly (PondWork Work, string Word)[] Works =
    [
        (PondWork.Note, "note"),
        (PondWork.Drained, "drained, old fish caught"),
        (PondWork.DriedOut, "bottom dried until it cracked"),
        (PondWork.BottomMended, "mud out, holes plugged, banks or net mended"),
        (PondWork.LinerWashed, "liner, tank or net washed"),
        (PondWork.Limed, "limed"),
        (PondWork.ScreensFitted, "screens fitted"),
        (PondWork.Filling, "filling began"),
        (PondWork.HeldWater, "leak test passed"),
        (PondWork.PestTreated, "treated against wild fish"),
        (PondWork.BioassayPassed, "a few fish lived in it: poison gone"),
        (PondWork.Filled, "full"),
        (PondWork.Manured, "manure spread on the dry floor"),
        (PondWork.Fertilised, "fertilised, one dose"),
        (PondWork.Salted, "salt given"),
        (PondWork.CoverOpened, "floating plants opened"),
        (PondWork.FoodSeen, "plankton sample: food enough for fry"),
        (PondWork.WaterChanged, "a part of the water changed"),
        (PondWork.ToppedUp, "topped up"),
        (PondWork.NoWildFish, "no wild fish found"),
        (PondWork.DeclaredReady, "declared ready to stock"),
        (PondWork.TastePassed, "taste test passed"),
        (PondWork.TasteFailed, "taste test failed"),
        (PondWork.LinerMended, "liner mended"),
        (PondWork.LeakFound, "it leaks"),
        (PondWork.ToMend, "broken: gate, pipe, bank or net to mend"),
        (PondWork.Mended, "mended: gate, pipe, bank or net"),
        (PondWork.DebrisOut, "leaves, timber, bamboo taken out"),
        (PondWork.KilledFishOut, "killed fish collected and buried"),
        (PondWork.Flushed, "flushed after a treatment"),
        (PondWork.PoolBuilt, "starting pool for fry built"),
        (PondWork.BankBare, "a bank lies bare: grass to be sown"),
        (PondWork.BankSown, "grass sown on the bank"),
    ];

    public string Key => "work";

    public string Title => "Work or finding";

    public string Button => "Save";

    public bool OfPond => true;

    public string FactKind => nameof(PondWorked);

    public string Section => "log";

    public string Caution => "Lime burns eyes and lungs: goggles, mask, upwind. Poisons only by licence and label.";

    /// <summary>Kinds of work as the slip lists them: value and words.</summary>
    public static IReadOnlyList<(string Value, string Text)> Choices { get; } =
    [.. Works.Select(w => (w.Work.ToString(), w.Word))];

    /// <summary>A kind of work in words.</summary>
    public static string Word(PondWork work) => Works.First(w => w.Work == work).Word;

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var old = c.Old<PondWorked>();
        return
        [
            .. Lines.When(c),
            c.Choice("Work", "What", old?.Work ?? PondWork.Note, Choices),
            c.Quantity("Amount", "Amount, if any", Measures.Mass, old?.AmountKg),
            c.Quantity("Volume", "Water, if any", Measures.Volume, old?.VolumeM3)
                .WithHint("changed, let in or topped up; a change of the level as water: workbench, level to volume"),
            c.Quantity("Patch", "Patch on a liner, if any", Measures.Area.BySquare!, old?.PatchM2)
                .WithHint("comes off the offcuts"),
            c.Words("Text", "In words", old?.Text ?? "").WithHint("product and lot where one was used"),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var work = ReadWork(form);
        var kg = form.MaybeQuantity("Amount", Measures.Mass);
        if (kg is < 0 or > 1_000_000)
            form.Refuse("Amount", $"{Limit.Range(0, 1_000_000, Measures.Mass, form.Here.Hand)}.");
        if (work == PondWork.Note && form.Empty("Text"))
            form.Refuse("Text", "A note needs words.");
        if (work == PondWork.PestTreated && form.Empty("Text"))
            form.Refuse(
                "Text",
                "Write which product it was, by its label: whoever stocks or sells these fish will ask."
            );
        if (work is PondWork.DebrisOut or PondWork.BankBare && form.Empty("Text"))
            form.Refuse("Text", "Write what and where: somebody looks there again.");
        if (work == PondWork.LinerMended && form.Empty("Text"))
            form.Refuse("Text", "Write where the hole was: the next one is often near it.");
        if (work == PondWork.Salted && kg is null or 0)
            form.Refuse("Amount", "Type how much salt: the salinity that follows is held against it.");
        var patch = form.MaybeQuantity("Patch", Measures.Area.BySquare!);
        if (patch is not (null or (> 0 and <= 1000)))
            form.Refuse("Patch", "More than 0, or empty.");
        var m3 = ReadVolume(form, work);
        return new(
            form.When(),
            [new PondWorked(c.PondId, work, form.Text("Text"), kg) { VolumeM3 = m3, PatchM2 = patch }],
            $"{c.Story!.Pond.Code} {Word(work)} {form.Text("Amount")} {form.Text("Text")}".Trim(),
            []
        );
    }

    // How much tells a leak from what the sun takes; where the old water went a permit may ask.
    private static double? ReadVolume(SlipForm form, PondWork work)
    {
        var m3 = form.MaybeQuantity("Volume", Measures.Volume);
        if (m3 is not (null or (> 0 and <= 1e6)))
            form.Refuse("Volume", "More than 0, up to a million cubic metres, or empty.");
        if (work is PondWork.WaterChanged or PondWork.ToppedUp && m3 is null)
            form.Refuse("Volume", "Type how much water: it is added up, and tells a leak from what the sun takes.");
        if (work == PondWork.WaterChanged && form.Empty("Text"))
            form.Refuse("Text", "Write where the old water went: a permit may ask for it.");
        return m3;
    }

    private static PondWork ReadWork(SlipForm form) =>
        form.Choice("Work", Works.Select(w => (w.Work.ToString(), w.Work)).ToList(), "kind of work", PondWork.Note);
}
