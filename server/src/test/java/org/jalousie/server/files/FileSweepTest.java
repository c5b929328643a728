package org.jalousie.server.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.Document;
import org.jalousie.core.data.Sha256;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.jdbc.core.simple.JdbcClient;

class FileSweepTest {
    private static final Testbed BED = Testbed.start();

    private final Office office = new Office(BED.address());
    private final JdbcClient sql = BED.bean(JdbcClient.class);

    private static byte[] bytes(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    private static Clock at(int day) {
        return Clock.offset(Clock.systemUTC(), Duration.ofDays(day));
    }

    @Test
    void whatNothingRefersToGoesInTwoStepsAndComesBackWhenItIsAskedFor(@TempDir Path folder) throws IOException {
        Sha256 asked = on(folder, 0).keep(bytes("asked for again"));
        Sha256 kept = on(folder, 0).keep(bytes("kept again"));
        Sha256 forgotten = on(folder, 0).keep(bytes("forgotten"));
        assertThat(sweep(folder, 0)).isZero();
        Sha256 fresh = on(folder, 8).keep(bytes("just kept"));
        assertThat(sweep(folder, 8)).isEqualTo(3);
        assertThat(on(folder, 9).get(asked)).isEqualTo(bytes("asked for again"));
        assertThat(on(folder, 9).keep(bytes("kept again"))).isEqualTo(kept);
        sweep(folder, 12);
        assertThat(on(folder, 12).get(forgotten)).isEqualTo(bytes("forgotten"));
        sweep(folder, 13);
        sweep(folder, 20);
        sweep(folder, 28);
        assertThat(on(folder, 28).asFound(fresh)).isEmpty();
        assertThat(on(folder, 28).asFound(forgotten)).isEmpty();
    }

    @Test
    void whatIsReferredToComesBackIfItWasPutAside(@TempDir Path folder) throws IOException {
        Sha256 name = on(folder, 0).keep(bytes("referred to late"));
        sweep(folder, 8);
        sql.sql("insert into file_reference values (?, 'test', 'sweep')")
                .param(name.hex())
                .update();
        sweep(folder, 20);
        assertThat(Files.exists(folder.resolve("aside").resolve(name.hex()))).isFalse();
        assertThat(on(folder, 40).get(name)).isEqualTo(bytes("referred to late"));
    }

    private static FolderStore on(Path folder, int day) throws IOException {
        return new FolderStore(folder, at(day), Optional.empty());
    }

    private int sweep(Path folder, int day) throws IOException {
        return new FileSweep(on(folder, day), sql, at(day)).sweep();
    }

    @Test
    void nothingOfAnAgreementATemplateOrARequestIsTakenAway() {
        String number = office.completed(office.publish("Swept", Office.loanWording()), "Ida Marsh");
        Agreements.Filed filed = BED.bean(Agreements.class).filed(new AgreementNumber(number));
        List<String> referred =
                sql.sql("select sha256 from file_reference").query(String.class).list();
        filed.history()
                .forEach(entry -> entry.event()
                        .brought()
                        .forEach(one -> assertThat(referred).contains(one.pdf().hex())));
        for (Document document : filed.agreement().documents())
            assertThat(referred).contains(document.word().orElseThrow().hex());
        assertThat(referred).contains(filed.agreement().record().orElseThrow().hex());
        FileStore files = BED.bean(FileStore.class);
        new FileSweep(files, sql, at(30)).sweep();
        new FileSweep(files, sql, at(60)).sweep();
        assertThat(office.client
                        .post("/api/v1/archive/" + number + "/verification", Map.of())
                        .json()
                        .get("intact")
                        .asBoolean())
                .isTrue();
        for (String table : List.of("template_version", "clause_version", "template_step"))
            for (String name : sql.sql("select word_file from " + table)
                    .query(String.class)
                    .list())
                Sha256.read(name).ifPresent(file -> assertThat(referred).contains(file.hex()));
    }
}
