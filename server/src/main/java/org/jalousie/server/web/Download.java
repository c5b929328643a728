package org.jalousie.server.web;

import jakarta.servlet.http.HttpServletResponse;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;

/** A file that the browser saves under a name. */
public final class Download {
    /** The media type of a Word file. */
    public static final String WORD = "application/vnd.openxmlformats-officedocument.wordprocessingml.document";

    private Download() {}

    /** What a table is written as. */
    public enum Format {
        CSV("text/csv;charset=UTF-8;header=present"),
        XLSX("application/vnd.openxmlformats-officedocument.spreadsheetml.sheet");

        private final String type;

        Format(String type) {
            this.type = type;
        }

        /** Its media type. */
        public String type() {
            return type;
        }

        /** What the names of its files end in. */
        public String ending() {
            return "." + name().toLowerCase(Locale.ROOT);
        }
    }

    /** Begins a file that is written as it is made. */
    public static void begin(HttpServletResponse response, String name, String type) {
        response.setContentType(type);
        response.setHeader(HttpHeaders.CONTENT_DISPOSITION, named(name));
    }

    private static String named(String name) {
        return ContentDisposition.attachment()
                .filename(name, StandardCharsets.UTF_8)
                .build()
                .toString();
    }

    public static ResponseEntity<byte[]> of(byte[] bytes, String name, String type) {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, named(name))
                .contentType(MediaType.parseMediaType(type))
                .body(bytes);
    }
}
