package org.jalousie.core.evidence;

import java.awt.BasicStroke;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javax.imageio.ImageIO;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.apache.pdfbox.pdmodel.interactive.action.PDActionURI;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationLink;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.Person;
import org.jalousie.core.pdf.ArchivalForm;
import org.jalousie.core.placement.FieldPlacer;
import org.jalousie.core.placement.SignaturePlace;
import org.jalousie.core.placement.SigningDatePlace;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.placement.TextPlace;

/** A two-page document signed by a lender and the museum, for tests of sealing and checking. */
public final class SignedSample {
    public static final List<Participant> PARTIES = List.of(
            new Participant(
                    new Person("Ida Marsh", "ida@lender.example.org"), new PartyKey("lender"), "Lender", Duty.SIGNS, 1),
            new Participant(
                    new Person("Tomas Vale", "tomas@museum.example.org"),
                    new PartyKey("museum"),
                    "Museum",
                    Duty.SIGNS,
                    2));

    private SignedSample() {}

    /** A picture of a signature. */
    public static byte[] mark(int seed) {
        BufferedImage image = new BufferedImage(600, 180, BufferedImage.TYPE_INT_ARGB);
        Graphics2D pen = image.createGraphics();
        pen.setColor(java.awt.Color.BLACK);
        pen.setStroke(new BasicStroke(6));
        pen.drawArc(20, 20 + seed, 300, 120, 10, 290);
        pen.drawLine(200, 150, 580, 40 + 2 * seed);
        pen.dispose();
        try {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            ImageIO.write(image, "png", out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The document with links where fields go, as conversion leaves them. */
    public static byte[] converted() {
        try (PDDocument document = new PDDocument()) {
            ArchivalForm.declare(document, "Loan agreement");
            for (int i = 1; i <= 2; i++) {
                PDPage page = new PDPage(PDRectangle.A4);
                document.addPage(page);
                try (PDPageContentStream content = new PDPageContentStream(document, page)) {
                    content.beginText();
                    content.setFont(new PDType1Font(Standard14Fonts.FontName.HELVETICA), 12);
                    content.newLineAtOffset(72, 760);
                    content.showText("Loan of a viola d'amore, page " + i + ". Insured for EUR 12,500.00.");
                    content.endText();
                }
            }
            PDPage last = document.getPage(1);
            link(last, 1, 72, 300, 170, 45);
            link(last, 2, 72, 280, 96, 17);
            link(last, 3, 72, 240, 170, 17);
            link(last, 4, 320, 300, 170, 45);
            link(last, 5, 320, 280, 96, 17);
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    public static Map<Integer, SigningField> boxes() {
        Map<Integer, SigningField> boxes = new LinkedHashMap<>();
        boxes.put(1, new SigningField("lender_signature", new PartyKey("lender"), "signature", new SignaturePlace()));
        boxes.put(
                2,
                new SigningField("lender_date_signed", new PartyKey("lender"), "date signed", new SigningDatePlace()));
        boxes.put(3, new SigningField("lender_vat_number", new PartyKey("lender"), "vat number", TextPlace.USUAL));
        boxes.put(4, new SigningField("museum_signature", new PartyKey("museum"), "signature", new SignaturePlace()));
        boxes.put(
                5,
                new SigningField("museum_date_signed", new PartyKey("museum"), "date signed", new SigningDatePlace()));
        return boxes;
    }

    static void link(PDPage page, int number, float x, float y, float width, float height) throws IOException {
        PDAnnotationLink link = new PDAnnotationLink();
        PDActionURI action = new PDActionURI();
        action.setURI("https://field.invalid/" + number);
        link.setAction(action);
        link.setRectangle(new PDRectangle(x, y, width, height));
        page.getAnnotations().add(link);
    }

    public static byte[] placed() {
        return FieldPlacer.place(converted(), boxes(), PARTIES).pdf();
    }

    public static byte[] signedByLender(TrustService trust) {
        Sealer sealer = new Sealer(trust);
        Instant now = Instant.now();
        byte[] sealed = sealer.sealByOffice(placed(), now);
        ActInFile act = new ActInFile(
                Map.of("lender_date_signed", "23 November 2026", "lender_vat_number", "XX 4471"),
                Set.of(),
                Optional.of("lender_signature"),
                Optional.of(mark(0)),
                "Ida Marsh");
        return sealer.put(sealed, act, trust.credentialFor("Ida Marsh", "ida@lender.example.org"), now);
    }

    /**
     * A document through its life.
     *
     * @param states each state of its file, the finished one last
     */
    public record Story(List<byte[]> states, Expected expected) {
        public byte[] finished() {
            return states.get(states.size() - 1);
        }
    }

    /** The whole story of an agreement: sealed by the office, signed by both, finished. */
    public static Story story(TrustService trust, String number, String lender, String museum) {
        Sealer sealer = new Sealer(trust);
        Instant now = Instant.now();
        List<byte[]> states = new ArrayList<>(List.of(placed()));
        Credential office = trust.officeSeal();
        states.add(sealer.sealByOffice(states.get(0), office, now));
        Credential first = trust.credentialFor(lender, "ida@lender.example.org");
        Map<String, String> values = Map.of("lender_date_signed", "23 November 2026", "lender_vat_number", "XX 4471");
        states.add(sealer.put(states.get(1), act("lender", values, 0, lender), first, now));
        Credential second = trust.credentialFor(museum, "tomas@museum.example.org");
        states.add(sealer.put(
                states.get(2),
                act("museum", Map.of("museum_date_signed", "23 November 2026"), 9, museum),
                second,
                now));
        states.add(sealer.longTerm(states.get(3)));
        List<List<String>> missing =
                List.of(List.of(lender, museum), List.of(lender, museum), List.of(museum), List.of(), List.of());
        List<Expected.State> expected = new ArrayList<>();
        for (int i = 0; i < states.size(); i++)
            expected.add(new Expected.State(
                    Sha256.of(states.get(i)), Message.of("evidence.person", "name", "state " + i), missing.get(i)));
        return new Story(
                states,
                new Expected(
                        new AgreementNumber(number),
                        expected,
                        List.of(
                                new Expected.Signer("office_seal", Message.of("evidence.office"), office.id()),
                                new Expected.Signer(
                                        "lender_signature", Message.of("evidence.person", "name", lender), first.id()),
                                new Expected.Signer(
                                        "museum_signature",
                                        Message.of("evidence.person", "name", museum),
                                        second.id()))));
    }

    private static ActInFile act(String party, Map<String, String> values, int mark, String caption) {
        return new ActInFile(values, Set.of(), Optional.of(party + "_signature"), Optional.of(mark(mark)), caption);
    }

    /** Signed by both, at long-term level. */
    public static byte[] finished(TrustService trust) {
        Sealer sealer = new Sealer(trust);
        ActInFile act = new ActInFile(
                Map.of("museum_date_signed", "23 November 2026"),
                Set.of(),
                Optional.of("museum_signature"),
                Optional.of(mark(9)),
                "Tomas Vale");
        byte[] both = sealer.put(
                signedByLender(trust),
                act,
                trust.credentialFor("Tomas Vale", "tomas@museum.example.org"),
                Instant.now());
        return sealer.longTerm(both);
    }
}
