using Dorsk.Farm;

namespace Dorsk.Web.Alarms;

/// <summary>One way of reaching somebody on the call list.</summary>
public interface IAlarmWay
{
    /// <summary>What the alarm page calls it.</summary>
    string Name { get; }

    /// <summary>Whether this way is set up and suits the person.</summary>
    bool Suits(AlarmMail mail);

    /// <summary>Sends. What goes wrong is an exception with words.</summary>
    Task Send(AlarmMail mail, CancellationToken stop);
}
