using System.Globalization;
using Dorsk.Core.Stock;

namespace Dorsk.Web.Slips;

/// <summary>A kill of fish written up: course, loss, cause, and what is done otherwise since.</summary>
internal sealed class KillSlip : ISlip
{
    public string Key => "kill";

    public string Title => "Fish kill, written up";

    public string Button => "Save";

    public bool OfPond => true;

    public string FactKind => nameof(KillWritten);

    public string Section => "stock";

    public string Caution =>
        "Sudden deaths of many kinds of animals at once, or of wild fish too, may be poison or a notifiable disease: keep water and fish on ice, touch nothing with bare hands, call the authority and a vet.";

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var old = c.Old<KillWritten>();
        var began = old?.Began ?? c.Here.Now.AddHours(-6);
        return
        [
            .. Lines.When(c),
            c.Heading("When it began"),
            c.Day("Began", "Date", c.Here.Zone.DayOf(began)),
            c.Hour("BeganHour", "Hour", c.Here.Zone.LocalAt(began).ToString("HH:mm", CultureInfo.InvariantCulture)),
            c.Whole("Lost", "Fish lost", old?.Lost)
                .WithHint("found and not found; deaths are recorded by their own slip"),
            c.Words("Cause", "Cause", old?.Cause ?? "").WithHint("the likeliest: oxygen, gas, poison, disease, power"),
            c.Words("Course", "Course", old?.Course ?? "")
                .WithHint("what was seen and done, in order; readings and deaths are added from the log"),
            c.Words("Change", "What is done otherwise from now on", old?.Change ?? ""),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var fact = new KillWritten(
            c.PondId,
            form.When("Began", "BeganHour"),
            form.Whole("Lost", "fish"),
            form.Text("Cause"),
            form.Text("Course"),
            form.Text("Change")
        );
        return new(form.When(), [fact], $"{c.Story!.Pond.Code} fish kill, {fact.Lost} lost: {fact.Cause}", []);
    }
}
