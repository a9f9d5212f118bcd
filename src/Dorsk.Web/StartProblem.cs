using System.Net.Sockets;
using Dorsk.Farm;
using Dorsk.Farm.Files;

namespace Dorsk.Web;

/// <summary>Why the program could not start, in one plain sentence.</summary>
public static class StartProblem
{
    /// <summary>Words for a failed start or verb.</summary>
    /// <param name="problem">The failure.</param>
    public static string Words(Exception problem) =>
        problem switch
        {
            FarmFilesException or ArgumentException or UnauthorizedAccessException => problem.Message,
            _ when Socket(problem) is { } socket => socket.SocketErrorCode switch
            {
                SocketError.AddressAlreadyInUse =>
                    $"The address is in use by another program already: {Innermost(problem)} Choose another port with --urls or --mqtt.",
                SocketError.AccessDenied => "This program may not listen at that port: choose one from 1024 on.",
                _ => $"The address cannot be listened at: {socket.Message}. Check --urls and --mqtt-at.",
            },
            _ when problem is IOException
                    && problem.Message.Contains("address already in use", StringComparison.OrdinalIgnoreCase) =>
                $"{problem.Message.TrimEnd('.')}. Choose another with --urls.",
            _ => BooksTrouble.Words(problem) is { } words
                ? $"The farm's data cannot be used: {words}."
                : $"Dorsk could not start: {problem.Message}",
        };

    private static SocketException? Socket(Exception? problem) =>
        problem switch
        {
            null => null,
            SocketException s => s,
            _ => Socket(problem.InnerException),
        };

    private static string Innermost(Exception problem) =>
        problem is IOException io ? io.Message.TrimEnd('.') + "." : "";
}
