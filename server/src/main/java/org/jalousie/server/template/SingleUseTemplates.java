package org.jalousie.server.template;

import java.util.UUID;
import org.jalousie.core.data.Sha256;

/** Templates for one agreement, as other rooms use them. */
public interface SingleUseTemplates {
    /**
     * Makes one out of a file that was taken in; no list offers it until it is kept.
     *
     * @param file its pages, {@code brought} as it came
     * @return its id
     */
    UUID forOneAgreement(String name, Sha256 file, Sha256 brought);
}
