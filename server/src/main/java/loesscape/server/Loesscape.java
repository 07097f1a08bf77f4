package loesscape.server;

import java.io.PrintStream;
import java.util.Arrays;
import java.util.List;
import java.util.function.Supplier;
import loesscape.server.clock.ServerClock;
import loesscape.server.launch.Check;
import loesscape.server.launch.Evaluate;
import loesscape.server.launch.InstallationSecret;
import loesscape.server.launch.LaunchProblem;
import loesscape.server.launch.Options;
import loesscape.server.launch.Preflight;
import loesscape.server.launch.Verify;
import loesscape.server.launch.WorkOut;
import loesscape.server.store.Migrations;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.scheduling.annotation.EnableScheduling;

/** The program: {@code demo}, {@code start}, and commands without a server. */
@SpringBootApplication
@EnableScheduling
public class Loesscape {

    private static final String USAGE = """
            loesscape demo [--reset] [--port N] [--data DIR] [--address HOST]
            loesscape start [--port N] [--data DIR] [--address HOST]
            loesscape evaluate TEMPLATE.loess.json ANSWERS.json [--today DATE] [--stage STAGE]
            loesscape check TEMPLATE.loess.json
            loesscape formula FORMULA [VALUES.json]
            loesscape verify FILE.pdf [--root root.pem] [--json]
            """;

    /** Runs a command; ends with exit code 0, 1 when it could not be done, 2 when it was not understood. */
    public static void main(String[] arguments) {
        try {
            run(Arrays.asList(arguments), System.out);
        } catch (LaunchProblem problem) {
            System.err.println(problem.getMessage());
            System.exit(problem.exitCode());
        }
    }

    private static void run(List<String> arguments, PrintStream out) {
        String command = arguments.isEmpty() ? "" : arguments.getFirst();
        List<String> rest = arguments.isEmpty() ? List.of() : arguments.subList(1, arguments.size());
        switch (command) {
            case "demo", "start" -> {
                Options options = Options.parse(command.equals("demo"), rest);
                serve(options, new ServerClock());
                out.printf(
                        "Loesscape is ready at http://localhost:%d, its data in %s. Ctrl-C stops it.%n",
                        options.port(), options.data());
            }
            case "evaluate" -> out.print(Evaluate.run(rest));
            case "check" -> out.print(Check.run(rest));
            case "formula" -> out.print(WorkOut.run(rest));
            case "verify" -> {
                Verify.Said said = Verify.run(rest);
                out.print(said.text());
                out.flush();
                if (said.exitCode() != 0) {
                    System.exit(said.exitCode());
                }
            }
            default -> throw new LaunchProblem(2, USAGE.strip());
        }
    }

    /** Starts the server, which reads the time from a clock; returns when it answers. */
    public static ConfigurableApplicationContext serve(Options options, ServerClock clock) {
        InstallationSecret secret = Preflight.check(options);
        String databasePassword = secret.of(Preflight.DATABASE);
        SpringApplication application = new SpringApplication(Loesscape.class);
        application.addInitializers(context -> {
            Migrations.run(options.databaseUrl(), databasePassword);
            context.getBeanFactory().registerSingleton("clock", clock);
            Supplier<String> passphrase = () -> secret.of("authority");
            context.getBeanFactory().registerSingleton("authorityPassphrase", passphrase);
        });
        return application.run(
                "--server.port=" + options.port(),
                "--server.address=" + options.address(),
                "--loesscape.demo=" + options.demo(),
                "--spring.datasource.url=" + options.databaseUrl(),
                "--spring.datasource.username=",
                "--spring.datasource.password=" + databasePassword);
    }
}
