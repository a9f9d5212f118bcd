using System.Security.Cryptography.X509Certificates;

namespace Dorsk.Web.Tls;

/// <summary>What the program shows to whoever connects: made anew before it runs out, and when the machine got another address.</summary>
/// <param name="authority">The farm's certificate.</param>
/// <param name="names">How the machine is reached now.</param>
/// <param name="clock">The machine's clock.</param>
public sealed class ShownCertificate(FarmAuthority authority, Func<MachineNames> names, TimeProvider clock)
{
    private static readonly TimeSpan Look = TimeSpan.FromMinutes(1),
        Renewal = TimeSpan.FromDays(300);

    private readonly Lock turn = new();
    private (X509Certificate2 Certificate, MachineNames Names, DateTimeOffset Made)? shown;
    private DateTimeOffset looked;

    /// <summary>The farm's certificate.</summary>
    public FarmAuthority Authority => authority;

    /// <summary>How the machine is reached, as of the last look.</summary>
    public MachineNames Names
    {
        get
        {
            Current();
            return shown!.Value.Names;
        }
    }

    /// <summary>The one to show now.</summary>
    public X509Certificate2 Current()
    {
        lock (turn)
        {
            var now = clock.GetUtcNow();
            if (shown is { } old && now - looked < Look)
                return old.Certificate;
            looked = now;
            var reached = names();
            if (shown is not { } last || !last.Names.Same(reached) || now - last.Made > Renewal)
                shown = (authority.Sign(reached, now), reached, now);
            return shown.Value.Certificate;
        }
    }
}
