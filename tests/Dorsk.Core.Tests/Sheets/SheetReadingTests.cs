using System.Globalization;
using Dorsk.Core.Sheets;
using Dorsk.Core.Time;
using Dorsk.Core.Units;

namespace Dorsk.Core.Tests.Sheets;

/// <summary>What spreadsheets write comes back as it was meant, whatever the order, sign and unit; what cannot be is said at its cell.</summary>
public class SheetReadingTests
{
    [Fact]
    public void Every_day_and_hour_comes_back_in_every_writing()
    {
        var chance = new Random(4);
        string[] years = ["yyyy-MM-dd", "yyyy/M/d", "yyyy.MM.dd", "d MMM yyyy", "dd-MMM-yyyy", "MMM d yyyy"],
            dayFirst = ["d/M/yyyy", "dd.MM.yyyy", "d-M-yy"],
            monthFirst = ["M/d/yyyy", "MM-dd-yyyy", "M/d/yy"],
            hours = ["H:mm", "HH:mm:ss", "HHmm", "H.mm", "h:mm tt"];
        for (var i = 0; i < 4000; i++)
        {
            var at = new DateTime(2000, 1, 1).AddMinutes(chance.Next(0, 60 * 24 * 365 * 60));
            foreach (
                var (forms, order) in new[]
                {
                    (years, (DayOrder)chance.Next(2)),
                    (dayFirst, DayOrder.DayFirst),
                    (monthFirst, DayOrder.MonthFirst),
                }
            )
            {
                var written = at.ToString(forms[chance.Next(forms.Length)], CultureInfo.InvariantCulture);
                Assert.True(
                    SheetWhen.TryDay(written, order, out var day) && day == DateOnly.FromDateTime(at),
                    $"{written} {order}"
                );
                var both = SheetWhen.Part(written + " " + at.ToString("H:mm", CultureInfo.InvariantCulture));
                Assert.Equal((written, at.ToString("H:mm", CultureInfo.InvariantCulture)), both);
            }
            var hour = at.ToString(hours[chance.Next(hours.Length)], CultureInfo.InvariantCulture);
            Assert.True(
                SheetWhen.TryHour(hour, out var read) && (read.Hour, read.Minute) == (at.Hour, at.Minute),
                hour
            );
        }
        foreach (
            var bad in new[] { "31/4/2026", "0/1/2026", "2026-13-01", "5/2026", "", "soon", "1/2/3/4", "99999-1-1" }
        )
            Assert.False(SheetWhen.TryDay(bad, DayOrder.DayFirst, out _), bad);
        Assert.Equal(
            (DayOrder.DayFirst, DayOrder.MonthFirst, null),
            (
                SheetWhen.Proven(["1/2/2026", "13/2/2026"])!.Value,
                SheetWhen.Proven(["1/2/2026", "2/13/2026 6:00"])!.Value,
                SheetWhen.Proven(["1/2/2026", "2026-02-13"])
            )
        );
    }

    [Fact]
    public void A_meaning_of_a_column_comes_back_by_its_key_and_figures_in_its_unit()
    {
        Assert.Equal(SheetColumn.All.Count, SheetColumn.All.Select(c => c.Column.Key).Distinct().Count());
        Assert.All(SheetColumn.All, c => Assert.Same(c.Column, SheetColumn.Of(c.Column.Key)));
        var chance = new Random(9);
        foreach (var (column, _) in SheetColumn.All.Where(c => c.Column.Use == ColumnUse.Value))
        foreach (var sign in Enum.GetValues<DecimalSign>())
        {
            // Two decimals at most: three behind a lone sign could be thousands, and are asked about.
            var si =
                column.Parameter!.Steps.Count > 0
                    ? chance.Next(1, 5)
                    : column.Unit!.ToSi(Math.Round(chance.NextDouble() * 50, 2)) * column.Share;
            var text = Math.Round(column.Unit!.FromSi(si / column.Share), 2)
                .ToString("0.##", CultureInfo.InvariantCulture);
            var line = SheetLine.Read(
                ["2026-03-05", sign == DecimalSign.Comma ? text.Replace('.', ',') : text],
                new([new(ColumnUse.Day), column], sign, DayOrder.DayFirst, "P1"),
                FarmZone.Utc,
                UnitSystem.Metric
            );
            Assert.Empty(line.Problems);
            Assert.Equal(si, Assert.Single(line.Values).Value.Si, 9);
        }
    }

    [Theory]
    [InlineData("DO (mg/L)", "do|mg/L")]
    [InlineData("Water temp °F", "temp|°F")]
    [InlineData("NH4 [mg/L]", "tan|mg/L|NH4")]
    [InlineData("NH4-N mg/L", "tan|mg/L")]
    [InlineData("NO2", "nitrite|mg/L|NO2")]
    [InlineData("Secchi (in)", "secchi|in")]
    [InlineData("Pond", "pond")]
    [InlineData("Sample date", "day")]
    [InlineData("remarks", "")]
    public void Headings_are_guessed(string heading, string key) =>
        Assert.Equal(key, SheetGuess.Column(heading, UnitSystem.Metric).Key);

    [Fact]
    public void A_map_that_cannot_be_read_says_why()
    {
        SheetColumn day = new(ColumnUse.Day),
            pond = new(ColumnUse.Pond),
            oxygen = SheetColumn.Of("do|mg/L")!;
        string? Problem(string code, params SheetColumn[] columns) =>
            new SheetMap(columns, DecimalSign.Point, DayOrder.DayFirst, code).Problem();
        Assert.Null(Problem("", day, pond, oxygen));
        Assert.Null(Problem("P1", day, oxygen));
        Assert.Contains("day", Problem("P1", oxygen), StringComparison.Ordinal);
        Assert.Contains("pond", Problem("", day, oxygen), StringComparison.Ordinal);
        Assert.Contains("value", Problem("P1", day), StringComparison.Ordinal);
        Assert.Contains(
            "same value",
            Problem("P1", day, oxygen, SheetColumn.Of("do|ppm") ?? oxygen),
            StringComparison.Ordinal
        );
        // "1,500" on a sheet with points could be either: said, never guessed.
        Assert.Contains(
            "two ways",
            Assert
                .Single(
                    SheetLine
                        .Read(
                            ["2026-03-05", "1,500"],
                            new([day, oxygen], DecimalSign.Point, DayOrder.DayFirst, "P1"),
                            FarmZone.Utc,
                            UnitSystem.Metric
                        )
                        .Problems
                )
                .Text,
            StringComparison.Ordinal
        );
    }
}
