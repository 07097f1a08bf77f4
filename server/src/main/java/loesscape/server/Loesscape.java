package loesscape.server;

import java.io.PrintStream;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.Supplier;
import loesscape.server.accounts.AccountStore;
import loesscape.server.accounts.SetupLink;
import loesscape.server.launch.BackupCommands;
import loesscape.server.launch.CheckTemplate;
import loesscape.server.launch.CommandResult;
import loesscape.server.launch.Compare;
import loesscape.server.launch.Evaluate;
import loesscape.server.launch.InstallationSecret;
import loesscape.server.launch.LaunchProblem;
import loesscape.server.launch.Merge;
import loesscape.server.launch.Options;
import loesscape.server.launch.Preflight;
import loesscape.server.launch.Trials;
import loesscape.server.launch.Verify;
import loesscape.server.launch.WorkOut;
import loesscape.server.platform.clock.ServerClock;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.context.ConfigurableApplicationContext;

/** The program: {@code demo}, {@code start}, and commands without a server. */
@SpringBootApplication
@ConfigurationPropertiesScan
public class Loesscape {

    private static final String USAGE = """
            loesscape demo [--reset] [options]
            loesscape start [options]
              --port N, --data DIR, --address HOST, --public-url URL, --behind NETWORKS, --metrics-port N,
              --smtp URL, --mail-from ADDRESS, --webhooks-anywhere, --simulated-payments
            loesscape evaluate TEMPLATE.loess.json ANSWERS.json [--today DATE] [--stage STAGE]
            loesscape backup FILE.zip [--data DIR]
            loesscape restore FILE.zip [--data DIR]
            loesscape check TEMPLATE.loess.json [--json] [--today DATE]
            loesscape compare OLD.loess.json NEW.loess.json [--json] [--today DATE]
            loesscape trial TEMPLATE.loess.json [--json] [--junit OUT.xml] [--suggest OUT.loess.json] [--today DATE]
            loesscape formula FORMULA [VALUES.json]
            loesscape merge TEMPLATE.loess[.json] ANSWERS OUTDIR [--pdf|--docx|--fillable|--fillable-docx]
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
                ConfigurableApplicationContext application = serve(options, new ServerClock());
                String address = options.facing().publicUrl() == null
                        ? "http://localhost:" + options.port()
                        : options.facing().publicUrl().toString();
                out.printf("Loesscape is ready at %s, its data in %s. Ctrl-C stops it.%n", address, options.data());
                if (!options.demo() && options.facing().smtp() == null) {
                    out.println(
                            "No mail goes out, so nobody can sign: name a mail server with --smtp (docs/operating.md).");
                }
                if (!options.demo() && application.getBean(AccountStore.class).isEmpty()) {
                    out.printf(
                            "Nobody has an account yet. This link makes the first author, once:%n%s%s%n",
                            address, application.getBean(SetupLink.class).path());
                }
            }
            case "evaluate" -> out.print(Evaluate.run(rest));
            case "check" -> end(CheckTemplate.run(rest), out);
            case "compare" -> out.print(Compare.run(rest));
            case "trial" -> end(Trials.run(rest), out);
            case "formula" -> out.print(WorkOut.run(rest));
            case "merge" -> {
                int exitCode = Merge.run(rest, out);
                out.flush();
                if (exitCode != 0) {
                    System.exit(exitCode);
                }
            }
            case "backup" -> out.print(BackupCommands.backup(rest));
            case "restore" -> out.print(BackupCommands.restore(rest));
            case "verify" -> end(Verify.run(rest), out);
            default -> throw new LaunchProblem(2, USAGE.strip());
        }
    }

    private static void end(CommandResult said, PrintStream out) {
        out.print(said.text());
        out.flush();
        if (said.exitCode() != 0) {
            System.exit(said.exitCode());
        }
    }

    /**
     * Starts the server, which reads the time from a clock; returns when it answers.
     *
     * @param others settings that are not those of {@code application.yaml}, as {@code name=value}
     */
    public static ConfigurableApplicationContext serve(Options options, ServerClock clock, String... others) {
        InstallationSecret secret = Preflight.check(options);
        String databasePassword = secret.of(Preflight.DATABASE);
        Preflight.upgrade(options, databasePassword);
        SpringApplication application = new SpringApplication(Loesscape.class);
        application.addInitializers(context -> {
            context.getBeanFactory().registerSingleton("clock", clock);
            context.getBeanFactory().registerSingleton("facing", options.facing());
            Supplier<String> passphrase = () -> secret.of("authority");
            context.getBeanFactory().registerSingleton("authorityPassphrase", passphrase);
            Supplier<String> tokens = () -> secret.of("tokens");
            context.getBeanFactory().registerSingleton("tokenPassphrase", tokens);
        });
        List<String> settings = new ArrayList<>(List.of(
                "--server.port=" + options.port(),
                "--server.address=" + options.address(),
                "--loesscape.demo=" + options.demo(),
                "--loesscape.data=" + options.data(),
                "--spring.datasource.url=" + options.databaseUrl(),
                "--spring.datasource.username=",
                "--spring.datasource.password=" + databasePassword));
        // What is measured is told on this machine, and only where that was asked for.
        settings.add("--management.server.port="
                + (options.facing().metricsPort() == 0 ? -1 : options.facing().metricsPort()));
        settings.add("--management.server.address=127.0.0.1");
        if (options.facing().isSecure()) {
            // A name that browsers take from this host over TLS only (RFC 6265bis, 4.1.3.2).
            settings.add("--server.servlet.session.cookie.name=__Host-session");
            settings.add("--server.servlet.session.cookie.path=/");
            settings.add("--server.servlet.session.cookie.secure=true");
        }
        Arrays.stream(others).forEach(other -> settings.add("--" + other));
        return application.run(settings.toArray(String[]::new));
    }
}
