using System.IO.Compression;
using System.Text;
using AngleSharp.Html.Parser;
using Dorsk.Core.People;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Sql;
using Microsoft.Extensions.DependencyInjection;

namespace Dorsk.Web.Tests;

/// <summary>Slips that come from a spreadsheet: each line is judged like a slip, entered once, and the same file again adds nothing.</summary>
public sealed class EntrySheetTests : IDisposable
{
    private const string Desk = "/lists/import";
    private readonly SmallFarm farm = new();

    public void Dispose() => farm.Dispose();

    private Questions Questions => farm.Services.GetRequiredService<Questions>();

    private long Lines
    {
        get
        {
            using var c = farm.Services.GetRequiredService<FarmFile>().Open();
            using var count = c.CreateCommand();
            count.CommandText = "SELECT count(*) FROM log";
            return (long)count.ExecuteScalar()!;
        }
    }

    private static async Task<(string Address, string Html)> Upload(
        Visitor visitor,
        string what,
        string name,
        byte[] content
    )
    {
        using var form = new MultipartFormDataContent
        {
            { new StringContent(what), "what" },
            { new ByteArrayContent(content), "sheet", name },
            { new StringContent(visitor.TokenText), "__RequestVerificationToken" },
        };
        using var answer = await visitor.Client.PostAsync(Desk + "?handler=Upload", form);
        var address = answer.Headers.Location!.ToString();
        return (address, await visitor.Client.GetStringAsync(address));
    }

    // What the page guessed, sent as it stands, with what a person changes; the page of the findings.
    private static async Task<(string Address, string Findings)> Checked(
        Visitor visitor,
        (string Address, string Html) page,
        params (string Name, string Value)[] change
    )
    {
        var values = BrowserForm.Shown(BrowserForm.Of(page.Html, "form[action$='Check']"));
        foreach (var (name, value) in change)
            values[name] = value;
        using var answer = await visitor.Post(page.Address + "?handler=Check", values);
        var shown = await visitor.Client.GetStringAsync(page.Address);
        for (var i = 0; i < 200 && shown.Contains("lines checked", StringComparison.Ordinal); i++)
        {
            await Task.Delay(50);
            shown = await visitor.Client.GetStringAsync(page.Address);
        }
        return (page.Address, shown);
    }

    private static async Task<string> Enter(Visitor visitor, string address)
    {
        using var answer = await visitor.Post(
            address + "?handler=Enter",
            new Dictionary<string, string> { ["asked"] = "true" }
        );
        return await visitor.Client.GetStringAsync(address);
    }

    private static string Text(string html) =>
        string.Join(
            ' ',
            new HtmlParser()
                .ParseDocument(html)
                .QuerySelector("main")!
                .TextContent.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries)
        );

    public static TheoryData<string, string, string> Sheets =>
        new()
        {
            {
                "feeding",
                "date;time;pond;feed;given (lb)\n12/01/2027;07:10;P1;Grower;4,4\n13/01/2027;7.15;p1;grower;5",
                "2 slips to enter"
            },
            {
                "deaths",
                "Date,Pond,Fish,Cause\n2027-01-12,P1,3,found dead\n2027-01-13,P1,2,Escaped",
                "2 slips to enter"
            },
            { "sample", "Date,Pond,Cast 1: fish,Cast 1: mass together (kg)\n2027-01-12,P1,30,2.9", "1 slip" },
            {
                "stock",
                "Date,Pond,Fish,From,How many,Average weight (g),Reason\n2027-01-12,P1,silver perch,a hatchery,50,12,test",
                "1 slip"
            },
            { "load", "Date,What,Mass (kg),Lot on the bag\n2027-01-12,Grower,500,L7", "1 slip" },
        };

    [Theory]
    [MemberData(nameof(Sheets))]
    public async Task A_sheet_of_slips_goes_in_once(string what, string sheet, string found)
    {
        var visitor = await farm.As(Role.Manager);
        var before = Lines;
        var (address, findings) = await Checked(
            visitor,
            await Upload(visitor, what, "old.csv", Encoding.UTF8.GetBytes(sheet)),
            what == "stock" ? [("always-NotReadyReason", "they stood there")] : []
        );
        Assert.Contains(found, Text(findings), StringComparison.Ordinal);
        // Nothing is in before it is confirmed, and the check wrote nothing.
        Assert.Equal(before, Lines);
        Assert.Contains("entered", Text(await Enter(visitor, address)), StringComparison.Ordinal);
        var lines = sheet.Split('\n').Length - 1;
        Assert.Equal(before + lines, Lines);
        var (_, again) = await Checked(visitor, await Upload(visitor, what, "old.csv", Encoding.UTF8.GetBytes(sheet)));
        Assert.StartsWith("Import a spreadsheet old.csv 0 slips to enter", Text(again), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Figures_are_in_the_unit_and_with_the_sign_of_the_sheet()
    {
        var visitor = await farm.As(Role.Manager);
        var page = await Upload(visitor, "feeding", "f.csv", Encoding.UTF8.GetBytes((string)Sheets.First()[1]));
        // A time written 7.15 proves no decimal point.
        Assert.Equal("Comma", BrowserForm.Shown(BrowserForm.Of(page.Html, "form[action$='Check']"))["sign"]);
        var (address, _) = await Checked(visitor, page);
        await Enter(visitor, address);
        Assert.Equal(
            (4.4 + 5) * 0.45359237,
            Questions.Story("P1")!.FedOn(new(2027, 1, 12)) + Questions.Story("P1")!.FedOn(new(2027, 1, 13)),
            6
        );
    }

    [Fact]
    public async Task Wrong_lines_are_named_by_line_and_column_and_later_lines_see_the_earlier_ones()
    {
        const string Sheet =
            "date,pond,fish,cause\n2027-01-10,P1,500,found dead\n2027-01-11,P1,500,found dead\n2027-02-30,P1,1,found dead\n2027-01-12,P9,1,found dead\n2027-01-12,P1,1,shark\n2030-01-01,P1,1,found dead";
        var visitor = await farm.As(Role.Manager);
        var (address, findings) = await Checked(
            visitor,
            await Upload(visitor, "deaths", "d.csv", Encoding.UTF8.GetBytes(Sheet))
        );
        var text = Text(findings);
        Assert.Contains("“2027-02-30” is not a date", text, StringComparison.Ordinal);
        Assert.Contains("“P9” is none of: P1", text, StringComparison.Ordinal);
        Assert.Contains("“shark” is none of", text, StringComparison.Ordinal);
        Assert.Contains("lies in the future", text, StringComparison.Ordinal);
        Assert.Contains("4 cannot be entered", text, StringComparison.Ordinal);
        // 900 fish were stocked: the second line is held against what the first one left.
        Assert.Contains("500 is more than the 400 on the books", text, StringComparison.Ordinal);
        await Enter(visitor, address);
        Assert.Equal(0, Questions.Story("P1")!.Batches[0].Stands);
    }

    [Fact]
    public async Task A_figure_for_all_lines_is_in_the_unit_beside_it_and_a_broken_workbook_is_said()
    {
        var visitor = await farm.As(Role.Manager);
        var page = await Upload(visitor, "feeding", "f.csv", "date,pond,feed\n2027-01-12,P1,Grower"u8.ToArray());
        var (address, _) = await Checked(visitor, page, ("unit-Mass", "lb"), ("always-Mass", "5"));
        await Enter(visitor, address);
        Assert.Equal(5 * 0.45359237, Questions.Story("P1")!.FedOn(new(2027, 1, 12)), 6);
        // A workbook whose sheet is cut off in the middle.
        using var memory = new MemoryStream();
        memory.Write(Book());
        using (var zip = new ZipArchive(memory, ZipArchiveMode.Update, leaveOpen: true))
        {
            zip.GetEntry("xl/worksheets/a.xml")!.Delete();
            using var writer = new StreamWriter(zip.CreateEntry("xl/worksheets/a.xml").Open());
            writer.Write("<worksheet><sheetData><row r=\"1\"><c");
        }
        using var form = new MultipartFormDataContent
        {
            { new StringContent("feeding"), "what" },
            { new ByteArrayContent(memory.ToArray()), "sheet", "b.xlsx" },
            { new StringContent(visitor.TokenText), "__RequestVerificationToken" },
        };
        using var answer = await visitor.Client.PostAsync(Desk + "?handler=Upload", form);
        Assert.Equal(System.Net.HttpStatusCode.OK, answer.StatusCode);
        Assert.Matches("damaged|No sheet", Text(await answer.Content.ReadAsStringAsync()));
    }

    [Fact]
    public async Task A_workbook_is_read_as_its_first_sheet_with_lines()
    {
        var visitor = await farm.As(Role.Manager);
        var page = await Upload(visitor, "feeding", "book.xlsx", Book());
        Assert.Contains("2027-01-12 07:10", page.Html, StringComparison.Ordinal);
        var (address, findings) = await Checked(visitor, page);
        Assert.Contains("1 slip to enter", Text(findings), StringComparison.Ordinal);
        await Enter(visitor, address);
        Assert.Equal(2.5, Questions.Story("P1")!.FedOn(new(2027, 1, 12)), 9);
    }

    // The smallest workbook a spreadsheet would accept: a date is a number with a date's format.
    private static byte[] Book()
    {
        const string Main = "http://schemas.openxmlformats.org/spreadsheetml/2006/main",
            Rel = "http://schemas.openxmlformats.org/officeDocument/2006/relationships",
            Pack = "http://schemas.openxmlformats.org/package/2006/relationships";
        var parts = new Dictionary<string, string>
        {
            ["[Content_Types].xml"] =
                "<Types xmlns=\"http://schemas.openxmlformats.org/package/2006/content-types\"><Default Extension=\"xml\" ContentType=\"application/xml\"/><Default Extension=\"rels\" ContentType=\"application/vnd.openxmlformats-package.relationships+xml\"/></Types>",
            ["_rels/.rels"] =
                $"<Relationships xmlns=\"{Pack}\"><Relationship Id=\"r\" Type=\"{Rel}/officeDocument\" Target=\"xl/workbook.xml\"/></Relationships>",
            ["xl/workbook.xml"] =
                $"<workbook xmlns=\"{Main}\" xmlns:r=\"{Rel}\"><sheets><sheet name=\"a\" sheetId=\"1\" r:id=\"r1\"/></sheets></workbook>",
            ["xl/_rels/workbook.xml.rels"] =
                $"<Relationships xmlns=\"{Pack}\"><Relationship Id=\"r1\" Type=\"{Rel}/worksheet\" Target=\"worksheets/a.xml\"/><Relationship Id=\"r2\" Type=\"{Rel}/styles\" Target=\"styles.xml\"/></Relationships>",
            ["xl/styles.xml"] =
                $"<styleSheet xmlns=\"{Main}\"><cellXfs count=\"2\"><xf numFmtId=\"0\"/><xf numFmtId=\"22\"/></cellXfs></styleSheet>",
            ["xl/worksheets/a.xml"] =
                $"<worksheet xmlns=\"{Main}\"><dimension ref=\"A1:D2\"/><sheetData><row r=\"1\">{Words("date", "pond", "feed", "given (kg)")}</row><row r=\"2\"><c r=\"A2\" s=\"1\"><v>{new DateTime(2027, 1, 12, 7, 10, 0, DateTimeKind.Unspecified).ToOADate().ToString(System.Globalization.CultureInfo.InvariantCulture)}</v></c><c r=\"B2\" t=\"inlineStr\"><is><t>P1</t></is></c><c r=\"C2\" t=\"inlineStr\"><is><t>Grower</t></is></c><c r=\"D2\"><v>2.5</v></c></row></sheetData></worksheet>",
        };
        using var memory = new MemoryStream();
        using (var zip = new ZipArchive(memory, ZipArchiveMode.Create, leaveOpen: true))
            foreach (var (name, text) in parts)
            {
                using var writer = new StreamWriter(zip.CreateEntry(name).Open());
                writer.Write(text);
            }
        return memory.ToArray();
    }

    private static string Words(params string[] words) =>
        string.Concat(words.Select((w, i) => $"<c r=\"{(char)('A' + i)}1\" t=\"inlineStr\"><is><t>{w}</t></is></c>"));
}
