using System.Globalization;
using System.Text;
using QRCoder;

namespace Dorsk.Web.Parts;

/// <summary>An address as a code that a phone reads, drawn for screen and paper.</summary>
/// <param name="Path">One path of squares of one unit: crisp at any size, no colours of its own.</param>
/// <param name="Squares">Squares along a side.</param>
public sealed record QrPicture(string Path, int Squares)
{
    /// <summary>Draws an address.</summary>
    /// <param name="address">What the phone is to open.</param>
    public static QrPicture Of(string address)
    {
        using var data = QRCodeGenerator.GenerateQrCode(address, QRCodeGenerator.ECCLevel.M);
        var path = new StringBuilder();
        for (var y = 0; y < data.ModuleMatrix.Count; y++)
        for (var x = 0; x < data.ModuleMatrix[y].Length; x++)
            if (data.ModuleMatrix[y][x])
                path.Append(CultureInfo.InvariantCulture, $"M{x} {y}h1v1h-1z");
        return new(path.ToString(), data.ModuleMatrix.Count);
    }
}
