package org.jalousie.server.people;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jalousie.core.access.Role;

/** What people see of their own account. */
final class OwnViews {
    private OwnViews() {}

    /**
     * @param password whether they have one
     * @param codeSince since when codes of a device are asked for; null for not
     * @param recoveryCodes how many are left
     * @param place whether a passkey can be made at this address
     * @param needed whether one of their roles needs more than a password
     */
    record OwnAccount(
            String mail,
            String name,
            List<Role> roles,
            boolean password,
            @Schema(types = {"string", "null"}) Instant codeSince,
            int recoveryCodes,
            List<PasskeyView> passkeys,
            boolean place,
            boolean needed,
            List<PeopleViews.SessionView> sessions) {}

    /** @param usedAt null for one that never was */
    record PasskeyView(
            UUID id,
            String title,
            Instant madeAt,
            @Schema(types = {"string", "null"}) Instant usedAt) {}

    /**
     * What a device takes the secret of its codes in by.
     *
     * @param secret to be typed, {@code address} to be opened on the device
     * @param width of the picture in its own units, {@code path} of its dark modules, as SVG has it
     */
    record NewCode(String secret, String address, int width, String path) {}

    /** @param codes that hold once each; none where those from before still hold */
    record RecoveryCodes(List<String> codes) {}
}
