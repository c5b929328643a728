package org.jalousie.server.scans;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import javax.imageio.ImageIO;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.paper.Scanner;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.demo.Client;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.agreement.WhenGone;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.PaperHand;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.JsonNode;

/** Scans of one agreement, of many and of none. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class ScansTest {
    private final Testbed bed = Testbed.start();
    private final Office office = new Office(bed.address());
    private final PaperHand hand = new PaperHand(bed, office);
    private String template;

    @BeforeAll
    void template() {
        WordDraft draft = new WordDraft().title("Loan of two pages");
        for (int i = 1; i <= 34; i++)
            draft.paragraph("Clause " + i + ". {{lender_name}} lends object " + i * 37 + " for " + i * 113
                    + " euro and " + (i * 7919 % 91) + " days, in its case and with the key of drawer " + i * 3 + ".");
        template = office.publish(
                "Two pages",
                draft.paragraph("{{lender.signature}}")
                        .paragraph("{{museum.signature}}")
                        .bytes());
    }

    private String onPaper() {
        Map<String, String> values = Office.loanValues("Ida Marsh");
        values.keySet().removeIf(key -> key.matches("objects_description|start_date|insured_value"));
        String number = office.generate(template, values);
        hand.take(number);
        hand.print(number);
        return number;
    }

    private List<BufferedImage> scan(String number, Scanner scanner) {
        return scanner.scan(hand.print(number), hand.pen(number, "lender", "museum"));
    }

    private static byte[] file(BufferedImage... pages) {
        return Scanner.asPdf(List.of(pages), Scanner.GOOD.dpi());
    }

    private static List<String> kinds(JsonNode scan) {
        return scan.get("pages")
                .valueStream()
                .map(one -> one.get("kind").asString())
                .toList();
    }

    /** Something is written on it. */
    private static BufferedImage noMark() {
        BufferedImage page = blank();
        var pen = page.createGraphics();
        pen.setColor(java.awt.Color.BLACK);
        pen.fillRect(400, 500, 900, 60);
        pen.dispose();
        return page;
    }

    private static BufferedImage blank() {
        BufferedImage blank = new BufferedImage(2480, 3508, BufferedImage.TYPE_BYTE_GRAY);
        var pen = blank.createGraphics();
        pen.setColor(new java.awt.Color(246, 246, 246));
        pen.fillRect(0, 0, 2480, 3508);
        pen.dispose();
        return blank;
    }

    @Test
    void aStackOfTwoAgreementsIsSortedWhateverItsOrder() {
        String one = onPaper();
        String other = onPaper();
        List<BufferedImage> first = scan(one, Scanner.GOOD);
        List<BufferedImage> second = scan(other, Scanner.GOOD.turned(1));
        JsonNode stack =
                hand.bring("stack.pdf", file(second.get(1), first.get(0), blank(), second.get(0), first.get(1)));
        assertThat(kinds(stack)).containsExactly("MATCHED", "MATCHED", "BLANK", "MATCHED", "MATCHED");
        assertThat(stack.get("pages").get(0).get("of").get("number").asString()).isEqualTo(other);
        assertThat(stack.get("pages").get(0).get("of").get("page").asInt()).isEqualTo(2);
        for (String number : List.of(one, other)) {
            assertThat(hand.paper(number).get("open")).isEmpty();
            assertThat(hand.close(number, true).status()).isEqualTo(200);
            office.await(number, "COMPLETED");
        }
        // the same stack once more finds agreements that aren't on paper any more
        assertThat(kinds(hand.bring("stack.pdf", file(first.get(0), second.get(0)))))
                .containsExactly("NOT_ON_PAPER", "NOT_ON_PAPER");
    }

    @Test
    void aMissingPageIsToldAndBroughtLaterEvenWithoutItsMark() {
        String number = onPaper();
        List<BufferedImage> pages = scan(number, Scanner.GOOD);
        hand.bring("first.pdf", file(pages.get(0)));
        assertThat(hand.close(number, true).text())
                .contains("A page is still lacking")
                .contains("page 2");
        assertThat(office.state(number)).isEqualTo("OUT");
        BufferedImage torn = Scanner.GOOD.scan(
                hand.print(number), 2, hand.pen(number, "lender", "museum").andThen((page, pen) -> {
                    pen.setColor(java.awt.Color.WHITE);
                    pen.fillRect(0, 730, 130, 112);
                    pen.fillRect(465, 730, 130, 112);
                    pen.fillRect(0, 0, 130, 60);
                    pen.fillRect(465, 0, 130, 60);
                }));
        // nobody said of which agreement it is, and it can't be read from it
        JsonNode loose = hand.bring("torn.pdf", file(torn));
        assertThat(kinds(loose)).containsExactly("NO_MARK");
        assertThat(loose.get("scan").get("loose").asInt()).isEqualTo(1);
        JsonNode told = hand.bring("torn.pdf", file(torn), number);
        assertThat(kinds(told)).containsExactly("MATCHED");
        assertThat(told.get("pages").get(0).get("of").get("page").asInt()).isEqualTo(2);
        assertThat(hand.paper(number).get("open")).isEmpty();
    }

    @Test
    void somebodySaysByHandWhichPageItIs() {
        String number = onPaper();
        List<BufferedImage> pages = scan(number, Scanner.GOOD);
        JsonNode scan = hand.bring("both.pdf", file(pages.get(0), pages.get(1)));
        String path = "/api/v1/scans/" + scan.get("scan").get("id").asString() + "/pages/";
        JsonNode none = office.client
                .put(path + 2, java.util.Collections.singletonMap("number", null))
                .json();
        assertThat(kinds(none)).containsExactly("MATCHED", "NO_MARK");
        assertThat(hand.paper(number).get("open")).hasSize(1);
        assertThat(office.client
                        .put(path + 2, Map.of("number", number, "document", "wording", "page", 9))
                        .status())
                .isEqualTo(422);
        assertThat(office.client
                        .put(path + 2, Map.of("number", number, "document", "nothing", "page", 1))
                        .status())
                .isEqualTo(404);
        JsonNode again = office.client
                .put(path + 2, Map.of("number", number, "document", "wording", "page", 2))
                .json();
        assertThat(kinds(again)).containsExactly("MATCHED", "MATCHED");
        assertThat(hand.paper(number).get("inDoubt").asInt()).isZero();
        // taken for another page it is in doubt
        office.client.put(path + 2, Map.of("number", number, "document", "wording", "page", 1));
        assertThat(office.client
                        .get("/api/v1/agreements/" + number + "/paper")
                        .json()
                        .toString())
                .contains("OTHER_PAGE");
    }

    @Test
    void aPrintFromBeforeAChangeIsNotTaken() {
        String number = office.send(office.generate(template, values()));
        String lender = office.link(number, "ida.marsh@lender.example.org");
        hand.take(number);
        List<BufferedImage> before = scan(number, Scanner.GOOD);
        office.client.delete(PaperHand.path(number, ""));
        String again = org.jalousie.server.testbed.Wait.until(
                "the new link",
                () -> java.util.Optional.of(office.link(number, "ida.marsh@lender.example.org"))
                        .filter(link -> !link.equals(lender)));
        assertThat(office.sign(again, Map.of()).status()).isLessThan(300);
        office.link(number, "tomas.vale@museum.example.org");
        hand.take(number);
        assertThat(kinds(hand.bring("old.pdf", file(before.get(0), before.get(1)))))
                .containsExactly("OTHER_PRINT", "OTHER_PRINT");
        assertThat(hand.paper(number).get("open")).hasSize(1);
    }

    private static Map<String, String> values() {
        Map<String, String> values = Office.loanValues("Ida Marsh");
        values.keySet().removeIf(key -> key.matches("objects_description|start_date|insured_value"));
        return values;
    }

    @Test
    void picturesOfManyPagesAreScansToo() throws Exception {
        String number = onPaper();
        List<BufferedImage> pages = scan(number, Scanner.GOOD);
        ByteArrayOutputStream tiff = new ByteArrayOutputStream();
        var writer = ImageIO.getImageWritersByFormatName("tiff").next();
        try (var out = ImageIO.createImageOutputStream(tiff)) {
            writer.setOutput(out);
            writer.prepareWriteSequence(null);
            for (BufferedImage one : pages) writer.writeToSequence(new javax.imageio.IIOImage(one, null, null), null);
            writer.endWriteSequence();
        }
        assertThat(kinds(hand.bring("both.tif", tiff.toByteArray()))).containsExactly("MATCHED", "MATCHED");
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(pages.get(1), "png", png);
        assertThat(kinds(hand.bring("one.png", png.toByteArray()))).containsExactly("MATCHED");
    }

    @Test
    void whatIsNoScanIsRefusedAndNothingIsKept() {
        long before = count("scan");
        for (byte[] file : List.of("hello".getBytes(), "%PDF-1.7\nbroken".getBytes(), new byte[0])) {
            Client.Answer answer = office.client.upload("/api/v1/scans", "note.txt", file);
            assertThat(answer.status()).as(answer.text()).isEqualTo(422);
        }
        assertThat(office.client
                        .upload("/api/v1/scans?number=A-1999-0001", "s.pdf", file(blank()))
                        .status())
                .isEqualTo(404);
        assertThat(count("scan")).isEqualTo(before);
        assertThat(office.client.get("/api/v1/scans/" + UUID.randomUUID()).status())
                .isEqualTo(404);
    }

    private long count(String table) {
        return bed.bean(JdbcClient.class)
                .sql("select count(*) from " + table)
                .query(Long.class)
                .single();
    }

    @Test
    void aReadingThatWasBrokenOffGoesOnWhereItWas() {
        String number = onPaper();
        List<BufferedImage> pages = scan(number, Scanner.GOOD);
        JsonNode scan = hand.bring("both.pdf", file(pages.get(0), pages.get(1)));
        UUID id = UUID.fromString(scan.get("scan").get("id").asString());
        JdbcClient sql = bed.bean(JdbcClient.class);
        // as if the program had been stopped between its pages
        sql.sql("delete from scan_page where scan_id = ? and number = 2")
                .param(id)
                .update();
        sql.sql("update scan set state = 'READING' where id = ?").param(id).update();
        UUID first = sql.sql("select id from scan_page where scan_id = ?")
                .param(id)
                .query(UUID.class)
                .single();
        bed.bean(ScanReading.class).run(id.toString());
        assertThat(kinds(hand.show(id.toString()))).containsExactly("MATCHED", "MATCHED");
        assertThat(sql.sql("select id from scan_page where scan_id = ? and number = 1")
                        .param(id)
                        .query(UUID.class)
                        .single())
                .isEqualTo(first);
        // thrown away while it is read: nothing comes back
        sql.sql("update scan set state = 'READING' where id = ?").param(id).update();
        assertThat(office.client.delete("/api/v1/scans/" + id).status()).isEqualTo(204);
        bed.bean(ScanReading.class).run(id.toString());
        assertThat(sql.sql("select count(*) from scan_page where scan_id = ?")
                        .param(id)
                        .query(Long.class)
                        .single())
                .isZero();
    }

    @Test
    void ofAnAgreementThatIsGoneNoScanIsLeftAndOthersKeepTheirs() {
        String gone = onPaper();
        String stays = onPaper();
        List<BufferedImage> first = scan(gone, Scanner.GOOD);
        List<BufferedImage> second = scan(stays, Scanner.GOOD);
        List<BufferedImage> all = new ArrayList<>(first);
        all.addAll(second);
        all.add(noMark());
        JsonNode stack = hand.bring(gone + ".pdf", file(all.toArray(new BufferedImage[0])));
        JsonNode own = hand.bring("own.pdf", file(first.get(0)), gone);
        // what comes when it isn't on paper any more is known by its mark all the same
        office.client.delete(PaperHand.path(gone, ""));
        JsonNode late = hand.bring("late.pdf", file(first.get(0), noMark()));
        assertThat(kinds(late)).containsExactly("NOT_ON_PAPER", "NO_MARK");
        assertThat(late.get("scan").get("loose").asInt()).isEqualTo(2);
        assertThat(late.get("scan").get("agreements")).isEmpty();
        UUID id = bed.bean(Agreements.class).idOf(new AgreementNumber(gone));
        bed.bean(TransactionTemplate.class)
                .executeWithoutResult(status ->
                        bed.bean(ScansOfGone.class).gone(new WhenGone.Gone(id, new AgreementNumber(gone), "")));
        assertThat(office.client
                        .get("/api/v1/scans/" + late.get("scan").get("id").asString())
                        .status())
                .isEqualTo(404);
        String stackId = stack.get("scan").get("id").asString();
        assertThat(kinds(hand.show(stackId))).containsExactly("MATCHED", "MATCHED");
        assertThat(hand.show(stackId).get("scan").get("name").asString()).isEmpty();
        assertThat(office.client
                        .get("/api/v1/scans/" + own.get("scan").get("id").asString())
                        .status())
                .isEqualTo(404);
        JdbcClient sql = bed.bean(JdbcClient.class);
        for (String table : List.of("scan", "scan_page", "paper_print"))
            assertThat(sql.sql("select count(*) from " + table + " where " + table + "::text like ?")
                            .param("%" + id + "%")
                            .query(Long.class)
                            .single())
                    .as(table)
                    .isZero();
        assertThat(hand.paper(stays).get("open")).isEmpty();
    }

    @Test
    void theListHasTheNewestFirstAndIsPaged() {
        String number = onPaper();
        hand.bring("older.pdf", file(blank()));
        hand.bring("newer.pdf", file(scan(number, Scanner.GOOD).get(0)));
        JsonNode list = office.client.get("/api/v1/scans").json();
        assertThat(list.get("items").get(0).get("name").asString()).isEqualTo("newer.pdf");
        assertThat(list.get("items").get(0).get("agreements").get(0).asString()).isEqualTo(number);
        assertThat(list.get("items").get(1).get("agreements")).isEmpty();
        assertThat(office.client.get("/api/v1/scans?page=-1").status()).isEqualTo(400);
    }
}
