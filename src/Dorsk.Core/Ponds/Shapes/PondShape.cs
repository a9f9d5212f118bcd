namespace Dorsk.Core.Ponds;

/// <summary>A pond's body: area and volume as functions of the gauge level.</summary>
public abstract record PondShape
{
    /// <summary>Depth when full, m: the top of the staff gauge, whose zero is the floor.</summary>
    public abstract double FullDepthM { get; }

    /// <summary>Water surface at a gauge level, m². Levels are held between the floor and the brim.</summary>
    /// <param name="levelM">Gauge level, m above the floor.</param>
    public abstract double AreaM2(double levelM);

    /// <summary>Water volume at a gauge level, m³.</summary>
    /// <param name="levelM">Gauge level, m above the floor.</param>
    public abstract double VolumeM3(double levelM);

    /// <summary>Corners of the full water about its middle, metres east and north; empty for a round tank.</summary>
    public abstract IReadOnlyList<(double EastM, double NorthM)> CornersM { get; }

    /// <summary>Surface when full, m².</summary>
    public double FullAreaM2 => AreaM2(FullDepthM);

    /// <summary>Volume when full, m³.</summary>
    public double FullVolumeM3 => VolumeM3(FullDepthM);

    /// <summary>Volume by surface when full, m.</summary>
    public double MeanDepthM => FullVolumeM3 / FullAreaM2;

    /// <summary>Holds a level inside the pond, m.</summary>
    protected double Held(double levelM) => Math.Clamp(levelM, 0, FullDepthM);
}
