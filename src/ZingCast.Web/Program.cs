using System.Net.Sockets;
using ZingCast.Store;
using ZingCast.Web;
using ZingCast.Web.Hosting;

try
{
    // The build tool that writes the API description runs this program without a server or a file.
    if (System.Reflection.Assembly.GetEntryAssembly()?.GetName().Name == "GetDocument.Insider")
    {
        await ZingApp.Build(new()).RunAsync();
        return 0;
    }
    switch (args)
    {
        case ["backup" or "restore"] or ["backup" or "restore", ['-', ..], ..]:
            throw new StartupException($"Name a file: ./zing {args[0]} FILE");
        case ["backup", var to, .. var rest]:
            await BackupCommands.SaveAsync(Folder(rest), Path.GetFullPath(to), TimeProvider.System);
            Console.WriteLine($"Everything in {Folder(rest)} is saved in {Path.GetFullPath(to)}.");
            return 0;
        case ["restore", var from, .. var rest]:
            var kept = await BackupCommands.PutBackAsync(Folder(rest), Path.GetFullPath(from), TimeProvider.System);
            Console.WriteLine(
                $"{Path.GetFullPath(from)} was put back into {Folder(rest)}.{(kept is null ? "" : $" What was there is kept in {kept}.")}"
            );
            return 0;
    }
    var settings = Settings.From(args, Environment.GetEnvironmentVariable);
    DataFolder.Open(settings.Data, TimeProvider.System, Console.WriteLine);
    var app = ZingApp.Build(settings);
    await ZingApp.FillAsync(app, settings);
    await app.StartAsync();
    Console.WriteLine($"Zing Cast is at {string.Join(" and ", app.Urls)}");
    Console.WriteLine("Stop it with Ctrl+C.");
    await app.WaitForShutdownAsync();
    return 0;
}
catch (StartupException problem)
{
    await Console.Error.WriteLineAsync(problem.Message);
    return 2;
}
catch (DataFolderException problem)
{
    await Console.Error.WriteLineAsync(problem.Message);
    return 1;
}
catch (IOException taken)
    when (taken.InnerException
            is Microsoft.AspNetCore.Connections.AddressInUseException
                or SocketException { SocketErrorCode: SocketError.AddressAlreadyInUse }
    )
{
    await Console.Error.WriteLineAsync("That port is taken by another program. Choose another: --port 5188");
    return 2;
}
catch (Exception odd) when (odd is SocketException or IOException { InnerException: SocketException } or UnauthorizedAccessException)
{
    await Console.Error.WriteLineAsync($"Zing Cast cannot listen there: {odd.Message} Choose another --host or --port.");
    return 2;
}

static string Folder(IEnumerable<string> switches) => Settings.From(switches, Environment.GetEnvironmentVariable).Data;
