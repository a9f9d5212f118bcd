using System.Formats.Asn1;
using System.Net;
using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;
using Dorsk.Farm.Files;

namespace Dorsk.Web.Tls;

/// <summary>
/// The farm's certificate: what phones are told to trust once. It signs the certificate that the program shows, for names and addresses of the farm's own
/// network only (name constraints, RFC 5280 4.2.1.10), and its key never leaves the folder of keys.
/// </summary>
public sealed class FarmAuthority : IDisposable
{
    private const string File = "farm-certificate.pfx";
    private const string ServerAuth = "1.3.6.1.5.5.7.3.1";
    private const int YearsTrusted = 10;

    // Phones refuse certificates of servers that are valid for longer.
    private const int DaysShown = 397;

    private readonly X509Certificate2 root;

    private FarmAuthority(X509Certificate2 root) => this.root = root;

    /// <summary>Its name.</summary>
    public string Name => root.GetNameInfo(X509NameType.SimpleName, forIssuer: false);

    /// <summary>Until when phones may trust it.</summary>
    public DateTimeOffset Until => root.NotAfter;

    /// <summary>What a phone is given to trust: the certificate without its key, DER.</summary>
    public byte[] ForPhones() => root.Export(X509ContentType.Cert);

    /// <summary>SHA-256 of it in pairs, as phones show it.</summary>
    public string Fingerprint =>
        string.Join(' ', root.GetCertHash(HashAlgorithmName.SHA256).Select(b => b.ToString("X2", null)));

    /// <summary>Opens the farm's certificate, or makes it where there is none or it has run out.</summary>
    /// <param name="folder">The folder of keys.</param>
    /// <param name="names">How the machine is reached.</param>
    /// <param name="now">Now by the machine's clock.</param>
    /// <exception cref="FarmFilesException">The file cannot be read.</exception>
    public static FarmAuthority Take(string folder, MachineNames names, DateTimeOffset now)
    {
        var path = Path.Combine(folder, File);
        if (System.IO.File.Exists(path))
        {
            var kept = Open(path);
            if (kept.NotAfter > now.AddDays(DaysShown) && names.Names.All(n => Speaks(kept, n)))
                return new(kept);
            kept.Dispose();
        }
        using var made = Make(names, now);
        Write(path, made.Export(X509ContentType.Pfx));
        return new(Open(path));
    }

    /// <summary>A certificate for the program to show, signed by the farm's; its key is held in memory only.</summary>
    /// <param name="names">How the machine is reached.</param>
    /// <param name="now">Now by the machine's clock.</param>
    public X509Certificate2 Sign(MachineNames names, DateTimeOffset now)
    {
        using var key = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        var request = new CertificateRequest($"CN={names.Names[0]}", key, HashAlgorithmName.SHA256);
        var others = new SubjectAlternativeNameBuilder();
        foreach (var name in names.Names)
            others.AddDnsName(name);
        foreach (var address in names.Addresses)
            others.AddIpAddress(address);
        request.CertificateExtensions.Add(others.Build());
        request.CertificateExtensions.Add(new X509BasicConstraintsExtension(false, false, 0, true));
        request.CertificateExtensions.Add(new X509KeyUsageExtension(X509KeyUsageFlags.DigitalSignature, true));
        request.CertificateExtensions.Add(new X509EnhancedKeyUsageExtension([new Oid(ServerAuth)], false));
        request.CertificateExtensions.Add(X509AuthorityKeyIdentifierExtension.CreateFromCertificate(root, true, false));
        using var bare = request.Create(
            root,
            now.AddDays(-1),
            now.AddDays(DaysShown - 1),
            RandomNumberGenerator.GetBytes(16)
        );
        using var whole = bare.CopyWithPrivateKey(key);
        // Windows shows a certificate only with a key that went through a file of this kind.
        return X509CertificateLoader.LoadPkcs12(whole.Export(X509ContentType.Pfx), null);
    }

    /// <inheritdoc/>
    public void Dispose() => root.Dispose();

    // Nobody but who runs the program reads the key, from the first moment.
    private static void Write(string path, byte[] bytes)
    {
        var options = new FileStreamOptions { Mode = FileMode.Create, Access = FileAccess.Write };
        if (!OperatingSystem.IsWindows())
            options.UnixCreateMode = UnixFileMode.UserRead | UnixFileMode.UserWrite;
        using var file = new FileStream(path, options);
        file.Write(bytes);
    }

    private static X509Certificate2 Open(string path)
    {
        try
        {
            return X509CertificateLoader.LoadPkcs12FromFile(path, null, X509KeyStorageFlags.Exportable);
        }
        catch (CryptographicException problem)
        {
            throw new FarmFilesException(
                $"The farm's certificate in {path} cannot be read ({problem.Message}). Move that file away: another is made, and phones are told to trust it anew."
            );
        }
    }

    private static X509Certificate2 Make(MachineNames names, DateTimeOffset now)
    {
        using var key = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        var request = new CertificateRequest(
            $"CN=Dorsk farm certificate ({names.Names[0]}), O=Dorsk",
            key,
            HashAlgorithmName.SHA256
        );
        request.CertificateExtensions.Add(new X509BasicConstraintsExtension(true, true, 0, true));
        request.CertificateExtensions.Add(new X509KeyUsageExtension(X509KeyUsageFlags.KeyCertSign, true));
        request.CertificateExtensions.Add(new X509SubjectKeyIdentifierExtension(request.PublicKey, false));
        request.CertificateExtensions.Add(Limits(names));
        return request.CreateSelfSigned(now.AddDays(-1), now.AddYears(YearsTrusted));
    }

    private static IEnumerable<string> Permitted(MachineNames names) =>
        names.Names.Where(n => !Private.Names.Any(p => Under(n, p))).Concat(Private.Names);

    private static bool Under(string name, string end) =>
        name == end || name.EndsWith("." + end, StringComparison.Ordinal);

    private static X509Extension Limits(MachineNames names)
    {
        var dns = new Asn1Tag(TagClass.ContextSpecific, 2);
        var ip = new Asn1Tag(TagClass.ContextSpecific, 7);
        var writer = new AsnWriter(AsnEncodingRules.DER);
        using (writer.PushSequence())
        using (writer.PushSequence(new Asn1Tag(TagClass.ContextSpecific, 0)))
        {
            foreach (var name in Permitted(names))
                using (writer.PushSequence())
                    writer.WriteCharacterString(UniversalTagNumber.IA5String, name, dns);
            foreach (var network in Private.Networks)
                using (writer.PushSequence())
                    writer.WriteOctetString([.. network.BaseAddress.GetAddressBytes(), .. Mask(network)], ip);
        }
        return new("2.5.29.30", writer.Encode(), true);
    }

    private static byte[] Mask(IPNetwork network) =>
        [
            .. Enumerable
                .Range(0, network.BaseAddress.GetAddressBytes().Length)
                .Select(i => (byte)(0xff << (8 - Math.Clamp(network.PrefixLength - 8 * i, 0, 8)))),
        ];

    // A name that came later, outside of what phones were told to trust, needs another certificate.
    private static bool Speaks(X509Certificate2 kept, string name)
    {
        var limits = new AsnReader(
            kept.Extensions.First(e => e.Oid?.Value == "2.5.29.30").RawData,
            AsnEncodingRules.DER
        );
        var trees = limits.ReadSequence().ReadSequence(new Asn1Tag(TagClass.ContextSpecific, 0));
        while (trees.HasData)
        {
            var tree = trees.ReadSequence();
            var dns = new Asn1Tag(TagClass.ContextSpecific, 2);
            if (
                tree.PeekTag().HasSameClassAndValue(dns)
                && Under(name, tree.ReadCharacterString(UniversalTagNumber.IA5String, dns))
            )
                return true;
        }
        return false;
    }
}
