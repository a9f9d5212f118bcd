// The start that script/bench holds Dorsk's against.
var app = WebApplication.CreateBuilder(args).Build();
app.MapGet("/", () => "empty");
app.Run();
