using System.Net;
using System.Net.Http.Headers;
using System.Text.RegularExpressions;
using Dorsk.Core.Alarms;
using Dorsk.Core.Health;
using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Stock;
using Dorsk.Farm;
using Dorsk.Farm.Files;
using Dorsk.Farm.Log;
using Dorsk.Practice;
using Microsoft.Extensions.DependencyInjection;

namespace Dorsk.Web.Tests;

/// <summary>Sick fish on the pages: investigation, medicine lock, dose and withdrawal, hold, photos.</summary>
public sealed partial class HealthPageTests : IDisposable
{
    [GeneratedRegex("name=\"meant\" value=\"([^\"]+)\"")]
    private static partial Regex Meant();

    private readonly SmallFarm farm = new();

    public void Dispose() => farm.Dispose();

    private long Enter(Fact fact, DateTimeOffset at) =>
        farm.Services.GetRequiredService<Door>().Enter(Entry.Of(Guid.NewGuid(), "Manager", at, fact))
            is { Accepted: true } r
            ? r.Lines[0]
            : throw new InvalidOperationException(fact.ToString());

    private static async Task<string> Plain(HttpResponseMessage answer) =>
        PageText.Plain(await answer.Content.ReadAsStringAsync());

    private long Product(string name, ProductKind kind, Func<ProductDescribed, ProductDescribed> more) =>
        Enter(
            more(new(0, name, kind, "made up", ActiveMatter.Other, 1, DoseBasis.WaterMgL, 1, 2)),
            SmallFarm.Now.AddDays(-1)
        );

    private static Dictionary<string, string> Treatment(long product, string amount, string vet = "") =>
        new()
        {
            ["Day"] = "2027-01-21",
            ["Hour"] = "17:30",
            ["Product"] = product.ToString(System.Globalization.CultureInfo.InvariantCulture),
            ["Amount"] = amount,
            ["Days"] = "1",
            ["Reason"] = "flukes",
            ["Vet"] = vet,
        };

    [Fact]
    public async Task An_investigation_joins_what_each_phone_says_and_closes_with_a_cause()
    {
        var (hand, watch) = (await farm.As(Role.PondHand), await farm.As(Role.NightWatch));
        const string Page = "/fish-health/look/P1";
        Assert.Contains(
            "it begins with the first thing that is saved",
            PageText.Plain(await hand.Client.GetStringAsync(Page))
        );
        // Two people at two steps: neither wipes the other's out.
        await hand.Post(
            $"{Page}?handler=Signs",
            new Dictionary<string, string> { ["s-gasp_day"] = "yes", ["s-inlet"] = "no" }
        );
        await watch.Post(
            $"{Page}?handler=Signs",
            new Dictionary<string, string> { ["s-brown"] = "yes", ["s-pale"] = "" }
        );
        var panel = new Dictionary<string, string>
        {
            ["do"] = "7",
            ["temp"] = "26",
            ["ph"] = "7.8",
            ["tan"] = "0.2",
            ["nitrite"] = "4",
            ["chloride"] = "12",
        };
        // An unusual value is asked about with what was typed, and stands once it is meant.
        var asked = await (await hand.Post($"{Page}?handler=Read", panel)).Content.ReadAsStringAsync();
        Assert.Contains("Yes, it is meant: save", asked, StringComparison.Ordinal);
        panel["meant"] = WebUtility.HtmlDecode(Meant().Match(asked).Groups[1].Value);
        await hand.Post($"{Page}?handler=Read", panel);
        var said = PageText.Plain(await hand.Client.GetStringAsync(Page));
        Assert.Matches("Likely causes .*nitrite that browns the blood", said);
        Assert.Contains("the gills cannot take it up", said, StringComparison.Ordinal);
        Assert.Matches("Salt: .*of pure salt", await hand.Client.GetStringAsync(Page));
        Assert.Contains(
            "Investigation",
            PageText.Plain(await hand.Client.GetStringAsync("/fish-health")),
            StringComparison.Ordinal
        );
        // Bad input is said at its field and keeps what was typed.
        var bad = await hand.Post(
            $"{Page}?handler=Read",
            new Dictionary<string, string> { ["do"] = "much", ["ph"] = "7.7" }
        );
        Assert.Contains("“much”", await Plain(bad), StringComparison.Ordinal);
        var none = await hand.Post($"{Page}?handler=Close", new Dictionary<string, string> { ["Cause"] = "" });
        Assert.Contains("Choose what it was", await Plain(none), StringComparison.Ordinal);
        var closed = await hand.Post($"{Page}?handler=Close", new Dictionary<string, string> { ["Cause"] = "nitrite" });
        Assert.StartsWith(Page + "?id=", closed.Headers.Location!.ToString(), StringComparison.Ordinal);
        Assert.Contains(
            "Nitrite that browns the blood",
            PageText.Plain(await hand.Client.GetStringAsync("/ponds/P1/health")),
            StringComparison.Ordinal
        );
        Assert.Contains(
            "it begins with",
            PageText.Plain(await hand.Client.GetStringAsync(Page)),
            StringComparison.Ordinal
        );
        Assert.Equal(HttpStatusCode.NotFound, (await hand.Client.GetAsync(Page + "?id=99")).StatusCode);
    }

    [Fact]
    public async Task Medicine_waits_for_todays_water_a_manager_may_pass_and_the_label_is_never_passed()
    {
        var (hand, manager) = (await farm.As(Role.PondHand), await farm.As(Role.Manager));
        var product = Product("Fluke bath", ProductKind.Parasite, p => p with { BathMinutes = 30, NeedsVet = true });
        const string Slip = "/ponds/P1/slip/treatment";
        var locked = await Plain(await hand.Post(Slip, Treatment(product, "1 g", "the vet")));
        Assert.Contains("Water first:", locked, StringComparison.Ordinal);
        var forged = Treatment(product, "1 g", "the vet");
        forged["PassedReason"] = "no kit";
        Assert.Contains(
            "Only a manager may pass",
            await Plain(await hand.Post(Slip, forged)),
            StringComparison.Ordinal
        );
        // Dated back it is locked by the water of its own day all the same.
        var back = Treatment(product, "1 g", "the vet");
        back["Day"] = "2027-01-19";
        Assert.Contains("Water first:", await Plain(await hand.Post(Slip, back)), StringComparison.Ordinal);
        // Over the label without a vet is refused with the likely slip of the unit, for a manager too.
        var live = await Plain(await manager.Post(Slip + "?handler=live", Treatment(product, "1 g", "the vet")));
        Assert.Contains("Most of the label", live, StringComparison.Ordinal);
        var over = await Plain(await manager.Post(Slip, Treatment(product, "900 kg")));
        Assert.Contains("type whose", over, StringComparison.Ordinal);
        Assert.Contains("the label says", over, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_hold_and_a_withdrawal_stop_harvest_sale_and_plan_whoever_asks()
    {
        var manager = await farm.As(Role.Manager);
        var product = Product("Premix", ProductKind.Salt, p => p with { WithdrawalDays = 60, DoseHigh = 1e5 });
        Enter(new TreatmentGiven(farm.PondId, product, 50_000, 1, "made up", ""), SmallFarm.Now.AddHours(-3));
        foreach (var to in new[] { "Harvested", "SoldAlive", "MovedOff" })
        {
            var refused = await manager.Post(
                "/ponds/P1/slip/harvest",
                new Dictionary<string, string>
                {
                    ["Day"] = "2027-01-21",
                    ["Hour"] = "17:35",
                    ["Batch"] = farm.BatchLine.ToString(System.Globalization.CultureInfo.InvariantCulture),
                    ["To"] = to,
                    ["Mass"] = "5 kg",
                    ["Count"] = "10",
                }
            );
            Assert.Equal(HttpStatusCode.OK, refused.StatusCode);
            Assert.Contains("Nobody can pass it, only wait", await Plain(refused), StringComparison.Ordinal);
        }
        Assert.Contains(
            "withdrawal of Premix until 23 Mar 2027",
            PageText.Plain(await manager.Client.GetStringAsync("/ponds/P1/harvest")),
            StringComparison.Ordinal
        );
        Enter(new PondHeld(farm.PondId, true, "white spots"), SmallFarm.Now.AddHours(-2));
        var page = PageText.Plain(await manager.Client.GetStringAsync("/fish-health"));
        Assert.Contains("On hold since", page, StringComparison.Ordinal);
        Assert.Contains("nets, boots and wheels", page, StringComparison.Ordinal);
    }

    private static byte[] Jpeg()
    {
        // A made-up baseline frame: head, a part with place data, frame, scan, end.
        byte[] Part(byte marker, params byte[] data) =>
            [0xff, marker, (byte)((data.Length + 2) >> 8), (byte)(data.Length + 2), .. data];
        return
        [
            0xff,
            0xd8,
            .. Part(0xe1, [.. "Exif\0\0GPS -29.4 152.6"u8]),
            .. Part(0xc0, 8, 0, 1, 0, 1, 1, 1, 0x11, 0),
            .. Part(0xda, 1, 1, 0, 0, 63, 0),
            0x12,
            0xff,
            0x00,
            0x34,
            0xff,
            0xd9,
        ];
    }

    private async Task<(HttpStatusCode Status, string Said)> Send(Visitor who, byte[] bytes)
    {
        using var content = new ByteArrayContent(bytes);
        content.Headers.ContentType = new MediaTypeHeaderValue("application/octet-stream");
        using var request = new HttpRequestMessage(HttpMethod.Post, "/photo?handler=Keep") { Content = content };
        request.Headers.Add("RequestVerificationToken", who.TokenText);
        var answer = await who.Client.SendAsync(request);
        return (answer.StatusCode, await answer.Content.ReadAsStringAsync());
    }

    [Fact]
    public async Task Photos_are_whole_pictures_without_their_place_and_nobody_else_sees_them()
    {
        var hand = await farm.As(Role.PondHand);
        await hand.Token("/ponds/P1/slip/deaths");
        foreach (
            var (bytes, words) in new (byte[], string)[]
            {
                ([.. "<svg xmlns='http://www.w3.org/2000/svg' onload='alert(1)'/>"u8], "no whole JPEG or PNG"),
                ([.. "<html><script>alert(1)</script></html>"u8], "no whole JPEG or PNG"),
                (Jpeg()[..^3], "no whole JPEG or PNG"),
                (DemoPhoto.Draw(1)[..^20], "no whole JPEG or PNG"),
                (new byte[2 << 20], "over 1 MB"),
                ([], "no whole JPEG or PNG"),
            }
        )
        {
            var (status, said) = await Send(hand, bytes);
            Assert.Equal(HttpStatusCode.BadRequest, status);
            Assert.Contains(words, said, StringComparison.Ordinal);
        }
        // Nothing is kept of what was refused: only the two that the demo brings.
        Assert.Equal(DemoFarm.Photos.Count, Directory.GetFiles(Path.Combine(farm.Data, "photos")).Length);

        var hash = System
            .Text.Json.JsonDocument.Parse((await Send(hand, Jpeg())).Said)
            .RootElement.GetProperty("hash")
            .GetString()!;
        var kept = await (await hand.Client.GetAsync("/photo/" + hash)).Content.ReadAsByteArrayAsync();
        Assert.DoesNotContain("GPS", System.Text.Encoding.Latin1.GetString(kept), StringComparison.Ordinal);
        Assert.Equal([0xff, 0xd9], kept[^2..]);
        foreach (
            var path in new[]
            {
                "/photo/..%2ffarm.db",
                "/photo/farm.db",
                "/photo/" + new string('a', 64),
                "/photo/" + hash.ToUpperInvariant(),
            }
        )
            Assert.Equal(HttpStatusCode.NotFound, (await hand.Client.GetAsync(path)).StatusCode);
        var stranger = await farm.As(null);
        Assert.NotEqual(HttpStatusCode.OK, (await stranger.Client.GetAsync("/photo/" + hash)).StatusCode);
        // It goes with the slip, stands in the pond's book, and comes back out of a backup.
        var saved = await hand.Post(
            "/ponds/P1/slip/deaths",
            new Dictionary<string, string>
            {
                ["Day"] = "2027-01-21",
                ["Hour"] = "17:30",
                ["Batch"] = farm.BatchLine.ToString(System.Globalization.CultureInfo.InvariantCulture),
                ["Count"] = "3",
                ["To"] = "Dead",
                ["Photo"] = hash,
            }
        );
        Assert.Equal(HttpStatusCode.Redirect, saved.StatusCode);
        Assert.Contains(
            "/photo/" + hash,
            await hand.Client.GetStringAsync("/ponds/P1/health"),
            StringComparison.Ordinal
        );
        var other = Directory.CreateTempSubdirectory("dorsk-photos-").FullName;
        var zip = Path.Combine(other, "backup.zip");
        Backup.Write(new(Path.Combine(farm.Data, "farm.db")), zip);
        Restore.Run(zip, Path.Combine(other, "farm.db"), over: false);
        Assert.Equal(kept, await File.ReadAllBytesAsync(Path.Combine(other, "photos", hash)));
        Directory.Delete(other, true);
    }

    [Fact]
    public async Task A_kill_written_up_lays_out_alarms_who_answered_what_ran_and_the_loss_as_a_range()
    {
        var hand = await farm.As(Role.PondHand);
        var began = SmallFarm.Now.AddHours(-9);
        var alarm = Enter(
            new AlarmRaised(0, farm.PondId, AlarmCause.LowOxygen, Status.ActNow, "P1 oxygen 1.4 mg/L"),
            began.AddMinutes(5)
        );
        Enter(new AlarmAnswered(alarm, farm.PondId), began.AddMinutes(25));
        Enter(
            new LossGuessed(farm.PondId, farm.BatchLine, 0.2, 0.3, new(2027, 1, 21), "oxygen, after the bloom died"),
            SmallFarm.Now.AddHours(-1)
        );
        Enter(new KillWritten(farm.PondId, began, 220, "oxygen", "gasping at nine", "a second aerator"), SmallFarm.Now);
        var page = PageText.Plain(await hand.Client.GetStringAsync("/ponds/P1/stock"));
        Assert.Matches("alarms .*P1 oxygen 1.4 mg/L .*answered by Manager", page);
        Assert.Matches(@"guessed 1\d\d to 2\d\d fish", page);
        Assert.Matches("aerators A1 0.0 h", page);
        Assert.Matches("cost about .* kg of fish", page);
        var harvest = PageText.Plain(await hand.Client.GetStringAsync("/ponds/P1/harvest"));
        Assert.Contains("220 fish, oxygen. Changed since: a second aerator", harvest, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Dead_weighed_and_not_counted_become_fish_by_their_mean_weight()
    {
        var hand = await farm.As(Role.PondHand);
        var slip = new Dictionary<string, string>
        {
            ["Day"] = "2027-01-21",
            ["Hour"] = "17:30",
            ["Batch"] = farm.BatchLine.ToString(System.Globalization.CultureInfo.InvariantCulture),
            ["Mass"] = "1 kg",
            ["To"] = "Dead",
        };
        var live = await (await hand.Post("/ponds/P1/slip/deaths?handler=live", slip)).Content.ReadAsStringAsync();
        Assert.Contains("Fish, by their mean weight", live, StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.Redirect, (await hand.Post("/ponds/P1/slip/deaths", slip)).StatusCode);
        slip["Disposal"] = "left or not found";
        slip["Place"] = "on the moon";
        Assert.Contains(
            "Choose from the list",
            await Plain(await hand.Post("/ponds/P1/slip/deaths", slip)),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task Predators_say_what_they_take_and_barriers_and_the_lawful_way_first()
    {
        var hand = await farm.As(Role.PondHand);
        var slip = new Dictionary<string, string>
        {
            ["Day"] = "2027-01-21",
            ["Hour"] = "06:30",
            ["Kind"] = "cormorant",
            ["Count"] = "20",
            ["Done"] = "shot two",
        };
        var asked = await Plain(await hand.Post("/ponds/P1/slip/predator", slip));
        Assert.Contains("Is there a licence", asked, StringComparison.Ordinal);
        var open = await (await hand.Post("/ponds/P1/slip/predator?handler=live", slip)).Content.ReadAsStringAsync();
        Assert.Contains("No sound barrier here", open, StringComparison.Ordinal);
        slip["Kind"] = "frog";
        var tadpoles = await (
            await hand.Post("/ponds/P1/slip/predator?handler=live", slip)
        ).Content.ReadAsStringAsync();
        Assert.Contains("They use in a night", tadpoles, StringComparison.Ordinal);
        slip["Kind"] = "cormorant";
        slip["Done"] = "walked them off";
        Assert.Equal(HttpStatusCode.Redirect, (await hand.Post("/ponds/P1/slip/predator", slip)).StatusCode);
        // Every kind has an outline of its own.
        Assert.Equal(
            Hunter.All.Count,
            Hunter.All.Select(h => Dorsk.Web.Parts.PestPicture.Path(h.Key)).Distinct().Count()
        );
        Assert.Matches("20 × cormorant", PageText.Plain(await hand.Client.GetStringAsync("/fish-health/pests")));
    }
}
