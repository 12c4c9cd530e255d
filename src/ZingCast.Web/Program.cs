using System.Net.Sockets;
using ZingCast.Web;
using ZingCast.Web.Hosting;

// Maps and searches keep every core busy; a request that comes in meanwhile gets a thread at once and shares the cores.
ThreadPool.SetMinThreads(4 * Environment.ProcessorCount, 4);

try
{
    var app = ZingApp.Build(args);
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
catch (IOException taken) when (taken.InnerException is Microsoft.AspNetCore.Connections.AddressInUseException or SocketException { SocketErrorCode: SocketError.AddressAlreadyInUse })
{
    await Console.Error.WriteLineAsync("That port is taken by another program. Choose another: --port 5188");
    return 2;
}
