using Dorsk.Core.Health;
using Dorsk.Farm.Health;
using Dorsk.Farm.Log;

namespace Dorsk.Farm.Ask;

public sealed partial class Questions
{
    /// <summary>Products as their labels were last described, with their lines; those no longer used too.</summary>
    public IReadOnlyList<(long Line, ProductDescribed Product)> Products()
    {
        using var c = file.Open();
        return HealthQuestions.Products(c, AsOf.Now(DateTimeOffset.MaxValue));
    }

    /// <summary>A treatment by its line; null when there is none, or it was taken back.</summary>
    public TreatmentLine? Treatment(long line)
    {
        using var c = file.Open();
        return HealthQuestions.Treatment(c, AsOf.Now(DateTimeOffset.MaxValue), line);
    }

    /// <summary>An investigation by its number; null when there is none.</summary>
    public LookLine? HealthLook(long id)
    {
        using var c = file.Open();
        return HealthQuestions.Look(c, AsOf.Now(DateTimeOffset.MaxValue), id);
    }
}
