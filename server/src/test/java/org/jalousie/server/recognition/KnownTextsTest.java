package org.jalousie.server.recognition;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Collections;
import java.util.List;
import java.util.concurrent.Callable;
import org.jalousie.core.recognition.Recogniser;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Together;
import org.junit.jupiter.api.Test;

/** The texts by which files are recognised. */
class KnownTextsTest {
    private final Testbed bed = Testbed.start();
    private final Office office = new Office(bed.address());

    @Test
    void severalWhoAskForThemAtOneMomentMakeThemOnce() throws Exception {
        KnownTexts texts = bed.bean(KnownTexts.class);
        int before = texts.all().size();
        for (int i = 0; i < 4; i++) office.publish("Known " + i, Office.loanWording());
        Callable<List<Recogniser.Known<KnownTexts.Key>>> ask = texts::all;
        assertThat(Together.all(Collections.nCopies(6, ask))).allMatch(all -> all.size() == before + 4);
        assertThat(texts.all()).hasSize(before + 4);
    }
}
