using Dorsk.Core.Health;
using Dorsk.Core.Judging;
using Dorsk.Core.Stock;

namespace Dorsk.Practice;

/// <summary>Sick fish of the story: products in the cupboard, a bath, bacteria brought in, a medicated feed whose withdrawal runs, deaths after a netting, a filter that falls behind.</summary>
public sealed partial class DemoFarm
{
    private static readonly DateOnly ProductsFrom = new(2026, 6, 1),
        Bacteria = new(2027, 1, 5),
        Bath = new(2027, 1, 10),
        Medicated = new(2027, 1, 12);

    // Days on which dead fish were found in P5 after the netting of 8 January, and how many.
    private static readonly (int Day, int Dead)[] AfterNetting = [(15, 1), (17, 2), (18, 2), (19, 3), (20, 4), (21, 5)];

    /// <summary>The photos that the story refers to, as files.</summary>
    public static IReadOnlyList<byte[]> Photos { get; } = [DemoPhoto.Draw(1), DemoPhoto.Draw(2)];

    private static IEnumerable<Told> HealthOf(DateOnly day)
    {
        if (day == ProductsFrom)
            return DemoProducts.All.Select(p =>
                By(day, 9, 0, "Manager", "product " + p.Name, _ => p, "product " + p.Name)
            );
        List<Told> told = [];
        if (day == Bacteria)
            told.Add(Treated(day, "P4", "Pond bacteria", (1900, 1), "after the green bloom", ""));
        if (day == Bath)
            told.AddRange(SaltBath(day));
        if (day == Medicated)
            told.Add(
                Treated(day, "T1", "Fluke premix", (128, 3), "gill flukes, seen under the microscope", "Dr Sedge, vet")
            );
        if (day == new DateOnly(2027, 1, 20))
            told.AddRange(Begun(day));
        if (day == new DateOnly(2027, 1, 21))
            told.Add(
                By(day, 6, 40, "Pond hand", "P2 4 cormorants", k => new HunterSeen(
                    k.Pond("P2"),
                    "cormorant",
                    4,
                    "dead tree",
                    "walked them off"
                ))
            );
        told.AddRange(Dead(day));
        return told;
    }

    private static IEnumerable<Told> Dead(DateOnly day) =>
        AfterNetting
            .Where(x => day == new DateOnly(2027, 1, x.Day))
            .Select(x => By(day, 7, 10, "Pond hand", $"P5 {x.Dead} dead", k => new FishLost(
                    k.Pond("P5"),
                    k.Batch("P5b"),
                    x.Dead,
                    Account.Dead,
                    "after netting"
                )
                {
                    Sizes = "small ones",
                    Place = "lee corner",
                    Look = x.Day < 20 ? "scales off, red flanks" : "grey tufts on the flanks",
                    Disposal = "buried with lime",
                    Photo = x.Day switch
                    {
                        19 => DemoPhoto.Name(1),
                        21 => DemoPhoto.Name(2),
                        _ => "",
                    },
                }));

    private static IEnumerable<Told> Begun(DateOnly day)
    {
        yield return By(day, 7, 30, "Pond hand", "P5 sick fish", k => new HealthLook(
            0,
            k.Pond("P5"),
            [
                ("some", true),
                ("scraped", true),
                ("cotton", true),
                ("spots", false),
                ("gasp_dawn", false),
                ("spray", false),
            ],
            "since the netting of 8 January; those in the lee corner are the small ones",
            "",
            ""
        ));
        yield return By(day, 17, 0, "Manager", "T3 sick fish", k => new HealthLook(
            0,
            k.Pond("T3"),
            [("stopped", true), ("gasp_day", false), ("brown", false), ("minutes", false)],
            "they left half of the afternoon meal",
            "",
            ""
        ));
    }

    private static IEnumerable<Told> SaltBath(DateOnly day)
    {
        yield return Treated(day, "T2", "Pond salt", (150_000, 1), "scrapes after the sample", "", "bath");
        (int Minute, BathEvent Event, double? Do)[] lines =
        [
            (5, BathEvent.TestBegun, null),
            (36, BathEvent.TestPassed, null),
            (40, BathEvent.Dosed, null),
            (50, BathEvent.Oxygen, 6.1),
            (60, BathEvent.Oxygen, 5.8),
            (70, BathEvent.Ended, null),
        ];
        foreach (var (minute, what, mgL) in lines)
            yield return By(day, 8 + (minute / 60), minute % 60, "Manager", $"T2 bath: {what}", k => new BathNoted(
                k.Of["bath"],
                k.Pond("T2"),
                what,
                mgL,
                what == BathEvent.TestBegun ? "ten fish in a tub" : ""
            ));
    }

    private static Told Treated(
        DateOnly day,
        string pond,
        string product,
        (double Grams, int Days) dose,
        string reason,
        string vet = "",
        string? founds = null
    ) =>
        By(
            day,
            8,
            0,
            "Manager",
            $"{pond} treated: {product}",
            k => new TreatmentGiven(k.Pond(pond), k.Of["product " + product], dose.Grams, dose.Days, reason, vet)
            {
                PassedReason = vet.Length > 0 ? "the vet was on the farm; no nitrite kit left" : "",
            },
            founds
        );

    private static Told By(
        DateOnly day,
        int hour,
        int minute,
        string author,
        string text,
        Func<Keys, Fact> fact,
        string? founds = null
    ) => new(Zone.At(day, new(hour, minute)), author, text, fact, founds);
}
