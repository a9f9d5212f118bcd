using System.Net;
using System.Net.NetworkInformation;
using System.Net.Sockets;

namespace Dorsk.Web.Tls;

/// <summary>How this machine is reached on the farm's own network.</summary>
/// <param name="Names">Names, lower case.</param>
/// <param name="Addresses">Addresses.</param>
public sealed record MachineNames(IReadOnlyList<string> Names, IReadOnlyList<IPAddress> Addresses)
{
    /// <summary>As the machine is set up now.</summary>
    /// <param name="more">Names by which the farm's router knows it besides.</param>
    public static MachineNames Now(IReadOnlyList<string> more)
    {
        var host = Dns.GetHostName().ToLowerInvariant();
        var bare = host.Split('.')[0];
        var addresses = NetworkInterface
            .GetAllNetworkInterfaces()
            .Where(n => n.OperationalStatus == OperationalStatus.Up)
            .SelectMany(n => n.GetIPProperties().UnicastAddresses)
            .Select(a => a.Address)
            .Where(Private.Holds)
            .Append(IPAddress.Loopback)
            .Distinct()
            .OrderBy(a => a.AddressFamily)
            .ThenBy(a => a.ToString(), StringComparer.Ordinal);
        return new([.. more.Append(host).Append(bare + ".local").Append("localhost").Distinct()], [.. addresses]);
    }

    /// <summary>The name or address to put before a port where the machine answers at all of them: its address on the network, else its name.</summary>
    public string ToReach =>
        Addresses
            .FirstOrDefault(a => a.AddressFamily == AddressFamily.InterNetwork && !IPAddress.IsLoopback(a))
            ?.ToString()
        ?? Names[0];

    /// <summary>Whether two are the same.</summary>
    public bool Same(MachineNames other) =>
        Names.SequenceEqual(other.Names) && Addresses.SequenceEqual(other.Addresses);
}
