namespace Dorsk.Core.Water;

/// <summary>Clay that is put into water on purpose, to keep its turbidity in a band: by a trial in a jar, as clays differ.</summary>
public static class ClayDose
{
    /// <summary>Where it comes from.</summary>
    public const string Source = "Jar trial with one's own clay; turbidity taken to go with the clay that floats";

    /// <summary>Clay to add, kg; 0 where the water is turbid enough.</summary>
    /// <param name="volumeM3">Water, m³.</param>
    /// <param name="nowNtu">Turbidity now, NTU.</param>
    /// <param name="wantedNtu">Turbidity wanted, NTU.</param>
    /// <param name="ntuPerGM3">What one gram of this clay in a cubic metre adds, NTU; above 0.</param>
    public static double Kg(double volumeM3, double nowNtu, double wantedNtu, double ntuPerGM3) =>
        Math.Max(0, wantedNtu - nowNtu) / ntuPerGM3 * volumeM3 / 1000;

    /// <summary>Share of the water to change for clear water, 0 to 1, to come down to a turbidity.</summary>
    /// <param name="nowNtu">Turbidity now, NTU.</param>
    /// <param name="wantedNtu">Turbidity wanted, NTU.</param>
    /// <param name="newNtu">Turbidity of the new water, NTU.</param>
    public static double ShareToChange(double nowNtu, double wantedNtu, double newNtu) =>
        nowNtu <= wantedNtu ? 0
        : newNtu >= wantedNtu ? 1
        : (nowNtu - wantedNtu) / (nowNtu - newNtu);
}
