package yellowrail.app.lan;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** Keeps the hash of the passphrase among the settings, the newest row holds; and the devices that stay signed in. */
@Mapper
interface LanMapper {
    @Insert("insert into setting (id, kind, name, body) values (#{id}, 'lan', 'passphrase', #{body}::jsonb)")
    int insert(@Param("id") UUID id, @Param("body") String body);

    @Select("select body::text from setting where kind = 'lan' order by seq desc limit 1")
    Optional<String> newest();

    @Insert("""
            insert into device_sign_in (series, token_hash, device, expires_at)
            values (#{series}, #{hash}, #{device}, #{expiresAt})""")
    int keepDevice(
            @Param("series") UUID series,
            @Param("hash") String hash,
            @Param("device") String device,
            @Param("expiresAt") OffsetDateTime expiresAt);

    @Select("select token_hash from device_sign_in where series = #{series} and expires_at > now()")
    Optional<String> tokenHash(@Param("series") UUID series);

    @Select("select device from device_sign_in where expires_at > now() order by signed_in_at desc")
    List<String> devices();

    @Delete("delete from device_sign_in where series = #{series} or expires_at <= now()")
    int forgetDevice(@Param("series") UUID series);

    @Delete("delete from device_sign_in")
    int forgetDevices();
}
