namespace Dorsk.Practice;

/// <summary>
/// Worlds whose fish grow and eat by equations that no estimator uses. Estimators are tuned on the power world, chosen on the scored
/// recipe of old, and reported on the Gompertz world, which nobody looks at while they are made.
/// </summary>
public enum WideWorld
{
    /// <summary>Growth by a power of the weight that is drawn, a bell of two widths over temperature.</summary>
    Power,

    /// <summary>Gompertz growth towards a drawn last weight, a logistic rise and a straight fall over temperature.</summary>
    Gompertz,
}

/// <summary>What kind of animal a batch of the wide worlds is.</summary>
public enum WideKind
{
    /// <summary>Fish of warm water.</summary>
    Warm,

    /// <summary>Fish of cold water.</summary>
    Cold,

    /// <summary>Shrimp, prawns and crayfish.</summary>
    Shrimp,
}
