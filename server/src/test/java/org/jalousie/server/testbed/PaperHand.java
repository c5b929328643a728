package org.jalousie.server.testbed;

import java.awt.Graphics2D;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiConsumer;
import org.jalousie.core.json.Json;
import org.jalousie.core.paper.PaperPrint;
import org.jalousie.core.paper.Scanner;
import org.jalousie.demo.Client;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.JsonNode;

/** Prints, signs with a pen, scans and brings. */
public final class PaperHand {
    private final Testbed bed;
    private final Client client;

    public PaperHand(Testbed bed, Office office) {
        this.bed = bed;
        this.client = office.client;
    }

    public static String path(String number, String what) {
        return "/api/v1/agreements/" + number + "/paper" + what;
    }

    public JsonNode take(String number) {
        return done(client.post(path(number, ""), Map.of()));
    }

    public byte[] print(String number) {
        Client.Answer print = client.get(path(number, "/print.pdf"));
        if (print.status() != 200) throw new IllegalStateException(print.text());
        return print.body();
    }

    public JsonNode paper(String number) {
        return done(client.get(path(number, "")));
    }

    /** Where people write on the newest print of an agreement's first document. */
    public List<PaperPrint.Place> places(String number) {
        return bed
                .bean(JdbcClient.class)
                .sql(
                        "select places::text from paper_print p join agreement a on a.id = p.agreement_id where a.number = ?")
                .param(number)
                .query(String.class)
                .list()
                .stream()
                .flatMap(json -> Json.MAPPER.readValue(json, new TypeReference<List<PaperPrint.Place>>() {}).stream())
                .toList();
    }

    /** Who signs does so in all of their places; of A4 pages. @param parties whose places are written in */
    public BiConsumer<Integer, Graphics2D> pen(String number, String... parties) {
        List<PaperPrint.Place> places = places(number);
        return (page, pen) -> places.stream()
                .filter(one -> one.page() == page + 1 && Set.of(parties).contains(one.party()))
                .forEach(one -> {
                    double base = 842 - one.y() - one.height() * 0.35;
                    if (one.height() > 30) Scanner.sign(pen, one.x() + 8, base);
                    else pen.drawString("4711", (float) one.x() + 6, (float) base);
                });
    }

    /** Brings a scan and waits until it is read. */
    public JsonNode bring(String name, byte[] scan) {
        return bring(name, scan, "");
    }

    public JsonNode bring(String name, byte[] scan, String number) {
        Client.Answer brought =
                client.upload("/api/v1/scans" + (number.isEmpty() ? "" : "?number=" + number), name, scan);
        if (brought.status() != 201) throw new IllegalStateException(brought.status() + " " + brought.text());
        String id = brought.json().get("id").asString();
        return Wait.until(
                "the scan " + name + " to be read",
                () -> Optional.of(show(id))
                        .filter(one -> !one.get("scan").get("state").asString().equals("READING")));
    }

    public JsonNode show(String scan) {
        return done(client.get("/api/v1/scans/" + scan));
    }

    public Client.Answer close(String number, boolean agreed) {
        JsonNode paper = paper(number);
        return close(
                number, paper.get("looked").asString(), paper.get("printedOn").asString(), agreed);
    }

    public Client.Answer close(String number, String looked, String day, boolean agreed) {
        return client.post(
                path(number, "/closing"),
                Map.of(
                        "broughtBy", "Ida Marsh, by post",
                        "receivedOn", day,
                        "note", "",
                        "looked", looked,
                        "agreed", agreed));
    }

    private static JsonNode done(Client.Answer answer) {
        if (answer.status() != 200) throw new IllegalStateException(answer.status() + " " + answer.text());
        return answer.json();
    }
}
