package org.jalousie.server.web;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import org.jalousie.core.wording.Diagnostic;

/** A finding in a wording, said in the office's language. */
@Schema(name = "Diagnostic")
public record DiagnosticView(
        String code, String part, String place, String message, String cure, boolean blocks, List<String> names) {
    public static List<DiagnosticView> of(List<Diagnostic> found) {
        return found.stream()
                .map(one -> new DiagnosticView(
                        one.code(),
                        one.part(),
                        one.place(),
                        one.message().toString(),
                        one.cure().toString(),
                        one.blocks(),
                        one.names()))
                .toList();
    }
}
