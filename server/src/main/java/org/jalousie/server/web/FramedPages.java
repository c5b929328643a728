package org.jalousie.server.web;

import java.util.List;

/** Pages that other sites may show in a frame. */
public interface FramedPages {
    /** Origins of the sites that may; none for no site. @param token of the page's address */
    List<String> framedBy(String token);
}
