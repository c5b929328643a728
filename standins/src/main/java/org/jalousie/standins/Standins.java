package org.jalousie.standins;

import java.nio.file.Path;
import java.time.Clock;
import org.jalousie.standins.identity.IdentityStandin;
import org.jalousie.standins.mail.MailStandin;
import org.jalousie.standins.records.RecordStandin;
import org.jalousie.standins.text.TextStandin;
import org.jalousie.standins.trust.TrustStandin;

/**
 * Starts all stand-ins: {@code Standins FOLDER TRUST_PORT SMTP_PORT MAIL_HTTP_PORT SECRET SMPP_PORT TEXT_HTTP_PORT RECORD_PORT POP_PORT IDENTITY_PORT}.
 */
public final class Standins {
    private Standins() {}

    public static void main(String[] args) {
        if (args.length != 10) {
            System.err.println(
                    "Usage: Standins FOLDER TRUST_PORT SMTP_PORT MAIL_HTTP_PORT SECRET SMPP_PORT TEXT_HTTP_PORT RECORD_PORT POP_PORT IDENTITY_PORT");
            System.exit(2);
        }
        Path folder = Path.of(args[0]);
        try {
            TrustStandin trust =
                    new TrustStandin(Integer.parseInt(args[1]), folder.resolve("trust"), args[4], Clock.systemUTC());
            MailStandin mail = new MailStandin(
                    Integer.parseInt(args[2]),
                    Integer.parseInt(args[3]),
                    Integer.parseInt(args[8]),
                    folder.resolve("mail"));
            TextStandin texts = new TextStandin(
                    Integer.parseInt(args[5]),
                    Integer.parseInt(args[6]),
                    folder.resolve("texts"),
                    smppPassword(args[4]));
            RecordStandin records = new RecordStandin(Integer.parseInt(args[7]), folder.resolve("records"), args[4]);
            IdentityStandin identity = new IdentityStandin(Integer.parseInt(args[9]), args[4], Clock.systemUTC());
            Runtime.getRuntime().addShutdownHook(new Thread(() -> {
                trust.close();
                mail.close();
                texts.close();
                records.close();
                identity.close();
            }));
            System.out.println("Stand-ins ready: trust " + trust.address() + ", mail smtp://127.0.0.1:"
                    + mail.smtpPort() + ", text messages on port " + args[5] + ", records " + records.address()
                    + ", identities " + identity.address());
        } catch (RuntimeException e) {
            System.err.println(e.getMessage());
            System.exit(1);
        }
    }

    /** A password has eight letters at most (SMPP v3.4 §4.1.1). */
    private static String smppPassword(String secret) {
        return secret.substring(0, Math.min(secret.length(), 8));
    }
}
