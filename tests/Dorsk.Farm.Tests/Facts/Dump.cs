using System.Collections;
using System.Globalization;
using System.Reflection;
using System.Text;
using Dorsk.Core.Water;

namespace Dorsk.Farm.Tests.Facts;

/// <summary>Anything as text, by its public properties: two things that say the same print the same.</summary>
internal static class Dump
{
    private const int Deepest = 8;

    public static string Of(object? thing)
    {
        var text = new StringBuilder();
        Write(text, thing, 0);
        return text.ToString();
    }

    private static void Write(StringBuilder text, object? thing, int depth)
    {
        switch (thing)
        {
            case null:
                text.Append("null");
                break;
            case string or Enum or bool or DateOnly or TimeOnly or TimeSpan:
                text.Append(thing);
                break;
            case DateTimeOffset at:
                text.Append(at.ToUnixTimeMilliseconds());
                break;
            case IFormattable figure when thing.GetType().IsPrimitive:
                text.Append(figure.ToString(null, CultureInfo.InvariantCulture));
                break;
            case Delegate:
                break;
            case ReadingBook book:
                foreach (var parameter in book.Parameters.OrderBy(p => p.Key, StringComparer.Ordinal))
                {
                    text.Append(parameter.Key);
                    Rows(text, book[parameter], depth);
                }
                break;
            case IEnumerable rows when depth < Deepest:
                Rows(text, rows, depth);
                break;
            default:
                Properties(text, thing, depth);
                break;
        }
    }

    private static void Rows(StringBuilder text, IEnumerable rows, int depth)
    {
        text.Append('[');
        foreach (var row in rows)
        {
            // A lookup's group is its key with its rows.
            if (row?.GetType().GetProperty("Key") is { } key && row is IEnumerable)
                Write(text, key.GetValue(row), depth + 1);
            Write(text, row, depth + 1);
            text.Append(',');
        }
        text.Append(']');
    }

    private static void Properties(StringBuilder text, object thing, int depth)
    {
        var type = thing.GetType();
        text.Append(type.Name).Append('{');
        if (depth < Deepest)
        {
            foreach (var field in type.GetFields(BindingFlags.Public | BindingFlags.Instance))
                Named(text, field.Name, field.GetValue(thing), depth);
            foreach (
                var property in type.GetProperties(BindingFlags.Public | BindingFlags.Instance)
                    .Where(p => p.GetIndexParameters().Length == 0)
            )
                Named(text, property.Name, Value(property, thing), depth);
        }
        text.Append('}');
    }

    private static void Named(StringBuilder text, string name, object? value, int depth)
    {
        text.Append(name).Append('=');
        Write(text, value, depth + 1);
        text.Append(';');
    }

    private static object? Value(PropertyInfo property, object thing)
    {
        try
        {
            return property.GetValue(thing);
        }
        catch (TargetInvocationException problem)
        {
            return problem.InnerException!.GetType().Name;
        }
    }
}
