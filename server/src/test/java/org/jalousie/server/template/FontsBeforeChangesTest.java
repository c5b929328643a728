package org.jalousie.server.template;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import java.util.UUID;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.adapters.FontFinder;
import org.jalousie.server.files.FileStore;
import org.junit.jupiter.api.Test;
import org.springframework.web.servlet.HandlerMapping;

class FontsBeforeChangesTest {
    private final Drafts drafts = mock(Drafts.class);
    private final FontFinder fonts = mock(FontFinder.class);
    private final FontsBeforeChanges before = new FontsBeforeChanges(drafts, mock(Preparations.class), fonts);

    private boolean asked(String method, String id) {
        HttpServletRequest request = mock(HttpServletRequest.class);
        when(request.getMethod()).thenReturn(method);
        when(request.getAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE))
                .thenReturn(Map.of("id", id));
        return before.preHandle(request, mock(HttpServletResponse.class), new Object());
    }

    @Test
    void aChangeIsPrecededByAskingForTheFonts() {
        UUID id = UUID.randomUUID();
        when(drafts.newest(id)).thenReturn(mock(TemplateVersion.class));
        assertThat(asked("PUT", id.toString())).isTrue();
        verify(fonts).learn(any());
    }

    @Test
    void lookingAtATemplateAsksForNothing() {
        assertThat(asked("GET", UUID.randomUUID().toString())).isTrue();
        verify(fonts, never()).learn(any());
    }

    @Test
    void whatIsNoTemplateIsLeftToWhoeverCarriesTheRequestOut() {
        UUID gone = UUID.randomUUID();
        when(drafts.newest(gone)).thenThrow(Refusal.notFound(Message.of("template.none")));
        assertThat(asked("POST", gone.toString())).isTrue();
        assertThat(asked("POST", "no-id")).isTrue();
        UUID damaged = UUID.randomUUID();
        when(drafts.newest(damaged)).thenThrow(mock(FileStore.Damaged.class));
        assertThat(asked("POST", damaged.toString())).isTrue();
        verify(fonts, never()).learn(any());
    }
}
