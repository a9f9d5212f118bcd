using System.Net;

namespace Dorsk.Web.Tls;

/// <summary>
/// Addresses that no machine of the open internet has (RFC 1918, 3927, 4193, 4291, 6598): all that the farm's certificate may speak for, so that it can
/// pass for no bank or shop on a phone that trusts it.
/// </summary>
internal static class Private
{
    /// <summary>Networks.</summary>
    public static IReadOnlyList<IPNetwork> Networks { get; } =
    [
        IPNetwork.Parse("10.0.0.0/8"),
        IPNetwork.Parse("172.16.0.0/12"),
        IPNetwork.Parse("192.168.0.0/16"),
        IPNetwork.Parse("169.254.0.0/16"),
        IPNetwork.Parse("100.64.0.0/10"),
        IPNetwork.Parse("127.0.0.0/8"),
        IPNetwork.Parse("fc00::/7"),
        IPNetwork.Parse("fe80::/10"),
        IPNetwork.Parse("::1/128"),
    ];

    /// <summary>Ends of names that are used inside a network only (RFC 2606, 6762, 8375).</summary>
    public static IReadOnlyList<string> Names { get; } = ["local", "lan", "internal", "home.arpa", "test", "localhost"];

    /// <summary>Whether an address is one of these.</summary>
    public static bool Holds(IPAddress address) => Networks.Any(n => n.Contains(address));
}
