using System.Globalization;
using Dorsk.Core.People;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Web.Slips;

/// <summary>A device with a key of its own.</summary>
internal sealed class DeviceSlip : ISlip
{
    private static readonly (string Key, string Word, DeviceUse Use)[] Uses =
    [
        ("Probe", "a probe: sends readings", DeviceUse.Probe),
        ("Weather", "a weather station: sends the farm’s weather", DeviceUse.Weather),
        ("Panel", "a panel: switches a pond’s aerators", DeviceUse.Panel),
        ("Switch", "a switch: may order aerators on and off", DeviceUse.Switch),
        ("Reader", "a reader: asks what the farm knows", DeviceUse.Reader),
    ];

    public string Key => "device";

    public string Title => "Device";

    public string Button => "Save this device";

    public bool OfPond => false;

    public string FactKind => nameof(DeviceKept);

    public string Section => "";

    public string After => "/setup/devices";

    public Permission Needs => Permission.Setup;

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<DeviceKept>();
        return
        [
            c.Words("Name", "Name", f?.Name ?? "").WithHint("such as Buoy P4"),
            c.Choice("Use", "It is", f?.Use.ToString() ?? "Probe", Uses.Select(u => (u.Key, u.Word)).ToList()),
            c.Choice(
                "Pond",
                "At pond",
                f?.PondId?.ToString(CultureInfo.InvariantCulture) ?? "",
                Ponds(c).Select(p => (p.Key, p.Word)).ToList()
            ),
            c.Quantity("Depth", "How deep", Measures.Length, f?.DepthM)
                .WithHint("for fish that live at the floor the low water counts"),
            .. f is null
                ? Array.Empty<SlipField>()
                : [c.Yes("Gone", "Taken away", f.Gone ? "true" : "").WithHint("its key opens nothing any more")],
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var fact = new DeviceKept(
            c.Old<DeviceKept>()?.DeviceId ?? 0,
            form.Text("Name"),
            form.Choice("Use", Uses.Select(u => (u.Key, u.Use)).ToList(), "use", DeviceUse.Probe),
            form.Choice("Pond", Ponds(c).Select(p => (p.Key, p.Id)).ToList(), "pond", null),
            form.MaybeQuantity("Depth", Measures.Length),
            form.Yes("Gone")
        );
        return new(c.Here.Now, [fact], $"device {fact.Name}", []);
    }

    private static List<(string Key, string Word, long? Id)> Ponds(SlipContext c) =>
        [
            ("", "no pond", null),
            .. c.Questions.Ponds().Select(p => (p.Id.ToString(CultureInfo.InvariantCulture), p.Code, (long?)p.Id)),
        ];
}
