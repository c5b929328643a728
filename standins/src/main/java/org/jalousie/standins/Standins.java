package org.jalousie.standins;

import java.nio.file.Path;
import java.time.Clock;
import org.jalousie.standins.mail.MailStandin;
import org.jalousie.standins.trust.TrustStandin;

/** Starts all stand-ins: {@code Standins FOLDER TRUST_PORT SMTP_PORT MAIL_HTTP_PORT SECRET}. */
public final class Standins {
    private Standins() {}

    public static void main(String[] args) {
        if (args.length != 5) {
            System.err.println("Usage: Standins FOLDER TRUST_PORT SMTP_PORT MAIL_HTTP_PORT SECRET");
            System.exit(2);
        }
        Path folder = Path.of(args[0]);
        try {
            TrustStandin trust =
                    new TrustStandin(Integer.parseInt(args[1]), folder.resolve("trust"), args[4], Clock.systemUTC());
            MailStandin mail =
                    new MailStandin(Integer.parseInt(args[2]), Integer.parseInt(args[3]), folder.resolve("mail"));
            Runtime.getRuntime().addShutdownHook(new Thread(() -> {
                trust.close();
                mail.close();
            }));
            System.out.println(
                    "Stand-ins ready: trust " + trust.address() + ", mail smtp://127.0.0.1:" + mail.smtpPort());
        } catch (RuntimeException e) {
            System.err.println(e.getMessage());
            System.exit(1);
        }
    }
}
