using Dorsk.Core.Health;
using Dorsk.Core.Judging;
using Dorsk.Core.Units;
using Dorsk.Farm.Facts;
using Dorsk.Farm.Fish;

namespace Dorsk.Farm.Health;

/// <summary>What the books look up before the rules of the core judge a line about health.</summary>
internal static class HealthChecks
{
    public static IEnumerable<Remark> Treated(Desk desk, TreatmentGiven f)
    {
        if (HealthQuestions.Product(desk.Connection, desk.AsOf.Known, f.ProductId) is not { } product)
            return [Remark.Refuse("Product", "Choose a product of the register, or describe it first.")];
        if (desk.PondAt(f.PondId) is not { } pond)
            return [Remark.Refuse("Product", "There is no such pond.")];
        return f.Check(product, pond.Treated(desk.Happened), desk.Hand)
            .Select(r => desk.IsFresh ? r : AsHistory(r))
            .Concat(LeftAlready(desk, f, product, pond));
    }

    public static IEnumerable<Remark> Bathed(Desk desk, BathNoted f)
    {
        if (
            HealthQuestions.Treatment(desk.Connection, desk.AsOf.Known, f.TreatmentId) is not { } treatment
            || treatment.Given.PondId != f.PondId
        )
            return [Remark.Refuse("", "There is no such treatment, or it was taken back.")];
        if (treatment.Product.BathMinutes is not { } minutes)
            return [Remark.Refuse("", "This product is no bath by its label.")];
        var watch = desk.PondAt(f.PondId)?.WatchLevelMgL(desk.Today) ?? 0;
        return f.Check(new(minutes, watch, treatment.Bath), desk.Happened);
    }

    public static IEnumerable<Remark> Looked(Desk desk, HealthLook f)
    {
        var before = f.LookId == 0 ? null : HealthQuestions.Look(desk.Connection, desk.AsOf, f.LookId);
        if (before is not null && before.Look.PondId != f.PondId)
            return [Remark.Refuse("", "This investigation is of another pond.")];
        var pond = desk.PondAt(f.PondId);
        return f.Check(
            desk.Corrects is null ? before?.Look : null,
            pond?.PanelMissing(desk.Happened) ?? [],
            pond?.ClaimAt(desk.Happened)
        );
    }

    public static IEnumerable<Remark> Barred(Desk desk, BarrierChecked f) =>
        f.Check(
            StandingBarrier
                .Of(
                    HealthBook
                        .Barrier.Sound(desk.Connection, desk.AsOf, "t.pond = $pond", ("pond", f.PondId))
                        .Where(b => b.Line != desk.Corrects)
                        .Select(b => (desk.Zone.DayOf(b.At), b.Fact))
                )
                .Any(b => b.Kind.Key == f.Kind)
        );

    // What was given days ago cannot be held back any more, only asked about; the water panel of its day is never passed unsaid.
    private static Remark AsHistory(Remark r) =>
        r.Field is "Product" or "Demand" && r.Kind == Objection.Refuse
            ? Remark.Ask(r.Field, $"{r.Text} Was it given all the same?")
            : r;

    private static IEnumerable<Remark> LeftAlready(
        Desk desk,
        TreatmentGiven f,
        ProductDescribed product,
        IPondAsKnown pond
    )
    {
        if (pond.WithdrawalOf(f, product, desk.Today) is not { } withdrawal)
            yield break;
        var left = FishFacts
            .Harvested.Sound(desk.Connection, desk.AsOf.Known, "t.pond = $pond", ("pond", f.PondId))
            .Where(h => h.At >= desk.Happened && desk.Zone.DayOf(h.At) < withdrawal.Until)
            .ToList();
        if (pond.PlannedToLeave(desk.Today, withdrawal.Until) is { } planned)
            yield return Remark.Ask(
                "Product",
                $"Fish are planned to leave this pond on {Hand.Day(planned)}, inside this withdrawal (until {Hand.Day(withdrawal.Until)}): that plan cannot stand, and its buyer must be told. Is it treated all the same?"
            );
        if (left.Count > 0)
            yield return Remark.Ask(
                "Product",
                $"Fish left this pond on {Hand.Day(desk.Zone.DayOf(left[0].At))}, inside this withdrawal (until {Hand.Day(withdrawal.Until)}): tell whoever has them, and hold them back. Is the treatment written down all the same?"
            );
    }
}
