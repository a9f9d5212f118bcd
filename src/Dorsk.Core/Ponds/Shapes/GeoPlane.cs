using Dorsk.Core.Time;

namespace Dorsk.Core.Ponds;

/// <summary>
/// Degrees of longitude and latitude laid flat in metres about a place, on the WGS 84 ellipsoid: east is the arc of the parallel, north the
/// arc of the meridian (sinusoidal). Areas are true to 1 in 100,000; sides are true to 1 in 10,000 within ten kilometres of the place.
/// </summary>
/// <param name="Origin">Where east and north are nought.</param>
public sealed record GeoPlane(Place Origin)
{
    private const double A = 6378137,
        AuthalicRadius = 6371007.180918474,
        E2 = 0.0066943799901413165,
        Rad = Math.PI / 180;

    /// <summary>Metres east and north of the origin; the short way round the earth.</summary>
    /// <param name="longitudeDeg">Longitude, degrees, -180 to 180.</param>
    /// <param name="latitudeDeg">Latitude, degrees, -90 to 90.</param>
    public (double EastM, double NorthM) ToMetres(double longitudeDeg, double latitudeDeg) =>
        (
            Math.IEEERemainder(longitudeDeg - Origin.LongitudeDeg, 360) * Rad * Parallel(latitudeDeg),
            Meridian(Origin.LatitudeDeg, latitudeDeg)
        );

    /// <summary>Longitude and latitude of a point of the plan, degrees.</summary>
    public (double LongitudeDeg, double LatitudeDeg) ToDegrees(double eastM, double northM)
    {
        var latitude = Origin.LatitudeDeg + (northM / MeridianRadius(Origin.LatitudeDeg) / Rad);
        // Newton; the arc is so nearly straight that three steps reach the last digit.
        for (var i = 0; i < 3; i++)
            latitude += (northM - Meridian(Origin.LatitudeDeg, latitude)) / MeridianRadius(latitude) / Rad;
        return (Math.IEEERemainder(Origin.LongitudeDeg + (eastM / Parallel(latitude) / Rad), 360), latitude);
    }

    /// <summary>
    /// Area on the ellipsoid of a ring whose sides are the shortest ways, m²; for rings of a few kilometres. By authalic latitude on the sphere
    /// of equal area, laid flat about the first corner by Lambert's equal-area azimuthal plane, in which short sides are straight.
    /// </summary>
    /// <param name="ring">Corners, the last not repeated.</param>
    public static double AreaM2(IReadOnlyList<(double LongitudeDeg, double LatitudeDeg)> ring)
    {
        var (sin0, cos0) = Math.SinCos(Authalic(ring[0].LatitudeDeg));
        return new Outline(
            ring.Select(p =>
                {
                    var (sin, cos) = Math.SinCos(Authalic(p.LatitudeDeg));
                    var turn = Math.IEEERemainder(p.LongitudeDeg - ring[0].LongitudeDeg, 360) * Rad;
                    var k = AuthalicRadius * Math.Sqrt(2 / (1 + (sin0 * sin) + (cos0 * cos * Math.Cos(turn))));
                    // sin(β − β0) plus a small rest: the plain difference of products would lose digits.
                    var north =
                        Math.Sin(Authalic(p.LatitudeDeg) - Authalic(ring[0].LatitudeDeg))
                        + (2 * sin0 * cos * Sq(Math.Sin(turn / 2)));
                    return (k * cos * Math.Sin(turn), k * north);
                })
                .ToList()
        ).AreaM2;
    }

    // Latitude on the sphere that has the ellipsoid's area zone by zone (Snyder 1987, eq. 3-11, 3-12).
    private static double Authalic(double latitudeDeg)
    {
        static double Q(double sin)
        {
            var e = Math.Sqrt(E2);
            return (1 - E2) * ((sin / (1 - (E2 * sin * sin))) + (Math.Atanh(e * sin) / e));
        }
        return Math.Asin(Math.Clamp(Q(Math.Sin(latitudeDeg * Rad)) / Q(1), -1, 1));
    }

    private static double Parallel(double latitudeDeg) =>
        A * Math.Cos(latitudeDeg * Rad) / Math.Sqrt(1 - (E2 * Sq(Math.Sin(latitudeDeg * Rad))));

    private static double MeridianRadius(double latitudeDeg) =>
        A * (1 - E2) / Math.Pow(1 - (E2 * Sq(Math.Sin(latitudeDeg * Rad))), 1.5);

    // Simpson; at farm distances it is exact to the last digit.
    private static double Meridian(double fromDeg, double toDeg) =>
        (toDeg - fromDeg)
        * Rad
        * (MeridianRadius(fromDeg) + (4 * MeridianRadius((fromDeg + toDeg) / 2)) + MeridianRadius(toDeg))
        / 6;

    private static double Sq(double x) => x * x;
}
