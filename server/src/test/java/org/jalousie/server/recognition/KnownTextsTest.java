package org.jalousie.server.recognition;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.util.Collections;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.Callable;
import org.jalousie.core.recognition.Recogniser;
import org.jalousie.core.template.Proposal;
import org.jalousie.core.template.Wordings;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.Wording;
import org.jalousie.server.paper.Papers;
import org.jalousie.server.template.UsableTemplate;
import org.jalousie.server.template.UsableTemplates;
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

    @Test
    void aTemplateWhoseTextsCantBeReadHidesNoOther() {
        UUID damaged = new UUID(1, 1);
        UUID whole = new UUID(2, 2);
        UsableTemplates templates = mock(UsableTemplates.class);
        when(templates.inUse()).thenReturn(List.of(damaged, whole));
        when(templates.version(damaged)).thenThrow(new IllegalStateException("its file is damaged"));
        Wording wording = Wording.compile(WordFile.open(Office.loanWording()), Set.of());
        UsableTemplate usable = new UsableTemplate(
                whole, new UUID(3, 3), "Loan", 1, Proposal.first(wording.found()), Wordings.only(wording), null);
        when(templates.version(whole)).thenReturn(usable);
        KnownTexts texts = new KnownTexts(templates, mock(TextFingerprints.class), mock(Papers.class));
        for (int i = 0; i < 2; i++)
            assertThat(texts.all()).extracting(one -> one.key().version()).containsExactly(whole);
        verify(templates, times(2)).version(damaged);
        verify(templates, times(1)).version(whole);
    }
}
