package org.jalousie.server.web;

import java.nio.charset.StandardCharsets;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;

/** A file that the browser saves under a name. */
public final class Download {
    /** The media type of a Word file. */
    public static final String WORD = "application/vnd.openxmlformats-officedocument.wordprocessingml.document";

    private Download() {}

    public static ResponseEntity<byte[]> of(byte[] bytes, String name, String type) {
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(name, StandardCharsets.UTF_8)
                                .build()
                                .toString())
                .contentType(MediaType.parseMediaType(type))
                .body(bytes);
    }
}
